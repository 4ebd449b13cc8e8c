/** What a card says: how to set the game up. */
export const card = {};

/** What the play screen says; it comes with the game's code. */
export const play = {
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

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "knob.rounds": "Rounds",
  "knob.noRounds": "no limit",
  "knob.exact": "Must be exact",
  "knob.dropTo": "Going over takes you back to",
  "knob.roundLost": "the score before the round",
  "knob.counting": "Which points count?",
  "knob.countingHint": "With the difference, only the better side scores.",
  "knob.countAll": "all points",
  "knob.countDifference": "the difference",
  "knob.tie": "If scores are equal at the end",
  "knob.tieShared": "the win is shared",
  "knob.tieExtra": "one more round",
  "knob.lineRule": "A piece on a line between two bands scores",
  "knob.lastLine": "The far line",
  "knob.lastOut": "touching it is out",
  "knob.lastMiddle": "the middle of the piece decides",
  "knob.lastPast": "a piece is out only when wholly past it",
  "knob.lineRuleHint": "Middle: the band that most of the piece lies in.",
  "knob.lower": "the lower points",
  "knob.centre": "by its middle",
  "knob.higher": "the higher points",
  "knob.overshoot": "Past the last line scores",
  "knob.overNothing": "nothing",
  "knob.overLast": "as the last band",
  "knob.bandWidth": "Width of the bands",
  "knob.pieceOrder": "Playing order",
  "knob.pieceByPiece": "one piece each in turn",
  "knob.allAtOnce": "all pieces at once",
  "knob.lead": "Who starts the next round?",
  "knob.leadAlternate": "each side in turn",
  "knob.leadWinner": "the winner",
  "knob.leadLoser": "the loser",
  "knob.leadSame": "the same side",
  "knob.blocker": "Blocker before the last piece",
  "knob.blockerHint": "The forecast leaves it out, because no one knows where it will stand.",
  "knob.bandPoints": "Points for the band behind it",
  "pattern.bands": "Bands",
  "pattern.bands.how": "Slide or roll so that it stops in a scoring band.",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.rounds": "The game ends after *{value, plural, one {# round} other {# rounds}}*.",
  "rule.rounds.none": "There is *no limit on rounds*.",
  "rule.counting": "In a match, *{value}* count.",
  "rule.tie": "If scores are equal at the end: *{value}*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.bands":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Play}} one piece at a time. You score the points of the band it stops in. When all the pieces are down, add them up and start the next round.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "Make the piece stop in a scoring band: it is about how hard, not only which way. Pieces lie until the round is counted. All points count, or only the difference between the sides. First to a total, exact or not, with a blocker if you like. *Trains* control of force.";
