import { GEO_PAGES } from './geo';
import { PLA_PAGES } from './pla';
import { SND_PAGES } from './snd';
import type { WorldPages } from './types';

export const PAGES: Record<string, WorldPages> = {
  'GEO 115': GEO_PAGES,
  'PLA 204': PLA_PAGES,
  'SND 130': SND_PAGES,
};
