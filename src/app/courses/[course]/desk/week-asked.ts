/** The week an address or a form names; null where it names none. */
export const weekAsked = (said: string | null | undefined): number | null =>
  /^\d{1,2}$/u.test(said ?? '') ? Number(said) : null;
