import { setTheme, type Theme } from '@/db/queries/people';
import type { Actor, Deps } from '../deps';

export const chooseTheme = (deps: Deps, actor: Actor, theme: Theme) => setTheme(deps.db, actor.id, theme);
