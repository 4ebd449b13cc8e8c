/** Sentences of this game alone; they come with it. */
export const words = {
  "bands.send":
    "{verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Play}} piece {piece, number} of {of, number}.",
  "bands.last":
    "{verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Play}} your last piece.",
  "bands.block": "Place a blocker now, or skip it.",
  "bands.settle": "All pieces are down. Count the round.",
  "bands.end.total": "{total, plural, one {# point} other {# points}} reached!",
  "bands.end.rounds": "{rounds, plural, one {# round} other {# rounds}} played.",
  "bands.summary.rounds":
    "{rounds, plural, one {# round} other {# rounds}}, {pieces, plural, one {# piece} other {# pieces}} each",
  "bands.summary.total": "First to {total, number}, {pieces, plural, one {# piece} other {# pieces}} each",
  "bands.summary.exact": "Exactly {total, number}, {pieces, plural, one {# piece} other {# pieces}} each",
  "refused.blockerFirst": "Decide about the blocker first.",
  "refused.blockerNotNow": "A blocker comes before the last piece.",
  "refused.noBlocker": "This game has no blocker.",
};
