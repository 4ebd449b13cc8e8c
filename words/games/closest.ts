/** What a card says: how to set the game up. */
export const card = {
  "closest.setUp.sent": "The jack is any small object.",
  "closest.setUp.placed": "Put the jack halfway between the lines.",
};

/** What the play screen says; it comes with the game's code. */
export const play = {
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

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "pattern.closest": "Closest",
  "pattern.closest.how": "A jack is played first. The side that lies nearest scores, round after round.",
  "knob.roundsMost": "Maximum rounds",
  "knob.sendOrder": "Who plays next?",
  "knob.orderTurn": "each side in turn",
  "knob.orderFarther": "the side that lies farther away",
  "knob.leads": "Who leads the next round?",
  "knob.leadsWinner": "the side that won the last one",
  "knob.leadsLoser": "the other side",
  "knob.leadsAlternate": "each side in turn",
  "knob.aloneMark": "Alone: distance from the jack to beat",
  "knob.aloneMarkHint": "A child alone plays against a piece that lies this far from the jack.",
  "knob.jack": "The jack",
  "knob.jackSent": "is played first",
  "knob.jackPlaced": "lies halfway",
  "knob.laneWidth": "Width of the lane",
  "knob.dead": "Pieces past the far line are out",
  "knob.struck": "A jack that is hit",
  "knob.struckStays": "stays where it stops",
  "knob.struckBack": "is put back",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.roundsMost": "The game ends after *{value, plural, one {# round} other {# rounds}}* at most.",
  "rule.roundsMost.none": "There is *no limit* on rounds.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.closest":
    "Play the jack first, between the two lines. Then play your pieces. The nearest piece scores 1. Each further piece of that side scores 1 more if it is nearer than all of the other side's.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "A jack is played first, then pieces. The nearest piece scores one, and each further piece of that side scores one more if it is nearer than all of the other side's. Near ties are measured in centimetres, shoe lengths or fingers. A jack that is hit stays or is put back; if it leaves the lane, the round is void. Alone, the child plays against a distance to beat.";
