import { expose } from 'comlink';
import { checkDraft } from '@/core/checks/checks';

/** The checks of a long text take longer than a keystroke may: they run here, by the same code as on the server. */
const checker = { checkDraft };
export type DraftChecker = typeof checker;

expose(checker);
