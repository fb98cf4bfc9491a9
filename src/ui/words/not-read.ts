/** Why something that was brought was given up, and what to do. */
export function notReadText(why: string | undefined): string {
  switch (why) {
    case 'time':
      return 'Reading it took longer than anything does that a person wrote, so it was given up. Nothing was changed; try a shorter piece of it.';
    case 'memory':
      return 'Reading it took more memory than there is for it, so it was given up. Nothing was changed; try a smaller piece of it.';
    default:
      return 'Too much of yours waits to be read already. Nothing was changed; wait a moment and try again.';
  }
}
