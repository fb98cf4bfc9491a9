import { create } from 'content-disposition';

/** How a file is offered under its name: shown in the browser or saved (RFC 6266). */
export const disposition = (how: 'inline' | 'attachment', name: string) => create(name, { type: how });
