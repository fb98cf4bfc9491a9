/** What happened to a reading's or a prompt's text that could not be put in its place, what was kept, and what to do. */
export function materialTrouble(code: string): string {
  switch (code) {
    case 'nothing-written':
      return 'The text is empty, so nothing was changed. Write something, or leave it as it is.';
    case 'document-too-large':
      return 'The text is too large to be kept. It stays here on this machine: take something out and try again.';
    case 'document-malformed':
      return 'Something in the text cannot be kept: most often a link that is not a web or mail address. The text stays here.';
    case 'not-found':
      return 'This text is not open to you any more. What you wrote stays on this machine.';
    case 'signed-out':
      return 'You are no longer signed in. What you wrote stays on this machine: sign in in another tab, then try again.';
    default:
      return 'Pulpit does not answer, so nothing was changed. What you wrote stays on this machine; try again in a moment.';
  }
}
