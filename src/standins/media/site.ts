import { own } from '@/core/own';
import type { AskedSite } from '@/server/embeds/sites';

/** What the stand-in media site shows: short drawn films of the demo's valley. */
export const FILMS: Record<string, { title: string; seconds: number }> = {
  'levee-in-flood': { title: 'The old levee on the third day of the flood', seconds: 24 },
  'meadow-in-spring': { title: 'A meadow that is given back, April to June', seconds: 30 },
  'mill-lane-sign': { title: 'The sign at Mill Lane, read by nine walkers', seconds: 18 },
  'harbour-at-six': { title: 'Harbour at six in the morning', seconds: 36 },
};

export const MEDIA_HOST = 'media.tidewell.example';

/** A media site without a network: it answers for its pages as one on the college's list would. */
export const standInSite: AskedSite = {
  name: 'Tidewell Media',
  hosts: [MEDIA_HOST],
  frames: ['self'],
  ask: async (url) => {
    const id = /^https?:\/\/[^/]+\/(?:watch|player)\/([a-z0-9-]+)\/?(?:[?#]|$)/u.exec(url)?.[1] ?? '';
    const film = own(FILMS, id);
    return film ? { title: film.title, frame: `/media-site/player/${id}` } : null;
  },
};
