'use client';

import dynamic from 'next/dynamic';

/*
 * What in a text can be opened or played and needs much for it. Each is fetched where a text has one: most have none, and what they need
 * (players, cards, the document's kinds) is the half of a page's scripts.
 */
export const FileView = dynamic(() => import('../attachments/file-view').then((m) => m.FileView));
export const ClipView = dynamic(() => import('../clips/clip-view').then((m) => m.ClipView));
export const PostReference = dynamic(() => import('./post-reference').then((m) => m.PostReference));
