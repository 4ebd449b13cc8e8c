/** Sentences of this game alone; they come with it. */
export const words = {
  "square.mix.app": "Mix the square.",
  "square.mix.hand": "Mix it. Then show how it lies.",
  "square.mix.opponent": "Somebody else mixes it. Show how it lies.",
  "square.swap.line": "Run, swap two in one row or column, run back.",
  "square.swap.next": "Run, swap two neighbours, run back.",
  "square.end":
    "{fewest, plural, =0 {All rows are done!} one {All done! It could be done in #.} other {All done! It could be done in #.}}",
  "square.end.stopped": "That were many trips. Stop here.",
  "square.summary": "{n, number} by {n, number}, in {least, number} to {most, number} trips",
  "refused.mixed": "It is mixed already.",
  "refused.notMixed": "It is done already. Mix it first.",
  "refused.mixFirst": "Mix the square first.",
  "refused.noSuchCell": "There is no such place.",
};
