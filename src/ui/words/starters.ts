/** Texts of prompts that many courses begin with, to be changed as one likes; by their names in addresses. */
export const STARTERS: Readonly<Record<string, { name: string; text: string }>> = {
  introduction: {
    name: 'an introduction round',
    text: `Who is here?

In at least 60 words, say who you are, where you are writing from, and one thing that you would like to understand by the end of this course. Then reply to two classmates in at least 15 words each, first to whoever has no reply yet.

Nothing here is marked. It is how we find out who we are talking to.`,
  },
  sides: {
    name: 'two sides',
    text: `Which of the two would you choose?

You are given one side. In at least 150 words, make the best case for it that you can, with one source. Then reply to two classmates of the other side in at least 60 words each: say what in their case is strong, and where it does not hold.`,
  },
};
