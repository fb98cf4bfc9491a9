/** What is not safe in RFC 8187's `ext-value` and JavaScript's encoding leaves as it is. */
const LEFT = /['()*]/gu;

/** How a file is offered under its name: shown in the browser or saved (RFC 6266). */
export const disposition = (how: 'inline' | 'attachment', name: string) =>
  `${how}; filename*=UTF-8''${encodeURIComponent(name).replace(LEFT, (c) => `%${c.charCodeAt(0).toString(16).toUpperCase()}`)}`;
