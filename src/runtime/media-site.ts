import { playerPage } from '@/standins/media/player';
import { app } from './app';

/** A player of the stand-in media site, where the demo has one. */
export const standInPlayer = (id: string): string | null => (app().config.demo ? playerPage(id) : null);
