/** What a page of ours may load and run: what comes from here, and scripts in it only with the number of this one answer. */
export const policyFor = (nonce: string) =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

/** What people brought here, and players, have a policy of their own; what is built is no page. */
const NO_PAGE = /^\/(?:_next|attachments|files|embeds|media-site|sign-on-site|recordings)\//u;

/** Whether what an address gives is under the policy of our pages. @example isPage('/embeds/frame') // false */
export const isPage = (url: string) => !NO_PAGE.test(url);
