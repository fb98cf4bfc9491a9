/** What Imani noted to herself in the weeks that are over, by the discussion beside which it stands. */
export const NOTEBOOK: readonly { by: string; discussion: string; text: string }[] = [
  {
    by: 'Imani Okoro',
    discussion: 'geo-115-w4',
    text: 'Holt on my response: say first whose number it is, then what it says. Do that in week 6 with the gauge.',
  },
  {
    by: 'Imani Okoro',
    discussion: 'geo-115-w5',
    text: 'Owning the water and owning the right to use it are two things. Desmond’s example of the mill is the clearest.\n\nStill open: who pays when the field is flooded on purpose?',
  },
  {
    by: 'Imani Okoro',
    discussion: 'pla-204-w5',
    text: 'Smell, light, the slope of a floor: a sign need not be a board. Use the tunnel at the harbour as my example if it comes again.',
  },
];
