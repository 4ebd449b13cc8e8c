/** Sentences of this game alone; they come with it. */
export const words = {
  "closest.jack":
    "{verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Play}} the jack first, between the lines.",
  "closest.place": "Missed twice. Place the jack for them.",
  "closest.send":
    "{verb, select, roll {Roll it} slide {Slide it} throw {Throw it} bowl {Bowl it} push {Push it} kick {Kick it} hit {Hit it} other {Play it}} near the jack. Piece {piece, number} of {of, number}.",
  "closest.count": "All are down. Who is nearest?",
  "closest.end.points": "{points, plural, one {# point} other {# points}} reached!",
  "closest.end.mark": "The other side has {points, plural, one {# point} other {# points}}.",
  "closest.end.rounds": "{rounds, plural, one {# round} other {# rounds}} played.",
  "closest.summary.points":
    "First to {points, plural, one {# point} other {# points}}, {pieces, plural, one {# piece} other {# pieces}} each",
  "closest.summary.rounds":
    "{rounds, plural, one {# round} other {# rounds}}, {pieces, plural, one {# piece} other {# pieces}} each",
  "refused.jackLies": "The jack is there already.",
  "refused.jackFirst": "Place the jack first.",
  "refused.jackBack": "Put the jack back where it lay.",
  "refused.noDead": "Every piece counts here.",
  "refused.saysWhere": "Show where it lies.",
  "refused.measureFirst": "Measure the pieces first.",
};
