/** What a card says: how to set the game up. */
export const card = {
  "pins.setUp.own": "Mark a square. {depth, number} cm deep, {width, number} cm wide.",
  "pins.setUp.triangle": "{count, number} pins: 1, then 2, then 3. {cm, number} cm apart.",
  "pins.setUp.row": "{count, number} pins side by side. {cm, number} cm apart.",
  "pins.setUp.arc": "{count, number} pins in a curve. {cm, number} cm apart.",
  "pins.setUp.diamond": "{count, number} pins in a diamond. {cm, number} cm apart.",
  "pins.setUp.untouched": "Fell on its own? Stand it up again.",
};

/** What the play screen says; it comes with the game's code. */
export const play = {
  "pins.send":
    "{left, plural, one {# pin is standing.} other {# pins are standing.}} {rolls, plural, =1 {} other {{verb, select, slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Roll}} {roll, number} of {rolls, number}.}}",
  "pins.stand": "Stand all the pins up again.",
  "pins.lay": "Stand {count, number} pins where you like.",
  "pins.end": "{frames, plural, one {# frame} other {# frames}} played.",
  "pins.summary":
    "{frames, plural, one {# frame} other {# frames}}, {rolls, plural, one {# {one}} other {# {many}}}, {points, plural, one {# point} other {# points}} a pin",
  "refused.allPins": "Place all {count, number} pins.",
  "refused.pinOutside": "Move pin {pin} in by {cm, number} cm.",
  "refused.pinsTouch": "Pins {one} and {other} need {cm, number} cm more.",
};

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "knob.swapFrame": "after a frame",
  "knob.frames": "Frames",
  "knob.rolls": "{Many} per frame",
  "knob.pinPoints": "Points per pin",
  "knob.pinBonus": "Bonus for knocking all down",
  "knob.pinBonusHint": "Only on the first {one}, which then ends the frame.",
  "knob.standUp": "Stand the pins up after every {one}",
  "knob.untouched": "A pin that falls untouched",
  "knob.untouchedCounts": "counts",
  "knob.untouchedStood": "is stood up again",
  "knob.rollThings": "Objects to {one}",
  "knob.fetchEach": "one, fetched after each {one}",
  "knob.formation": "Formation",
  "knob.formationGiven": "set by you",
  "knob.formationOwn": "the child's own, in a square",
  "knob.shape": "Shape",
  "shape.triangle": "triangle",
  "shape.row": "row",
  "shape.arc": "curve",
  "shape.diamond": "diamond",
  "knob.pinCount": "Number of pins",
  "knob.fieldDepth": "Depth of the square",
  "knob.fieldWidth": "Width of the square",
  "pattern.pins": "Pins",
  "pattern.pins.how": "Knock down a set of pins: points for each, and a bonus for all at once.",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.frames": "A game has *{value, plural, one {# frame} other {# frames}}*.",
  "rule.rolls": "A frame has *{value, plural, one {# {one}} other {# {many}}}*.",
  "rule.pinPoints": "A pin is worth *{value, plural, one {# point} other {# points}}*.",
  "rule.pinBonus": "Knocking all of them down at once earns *{value, number}* more.",
  "rule.standUp.yes": "Pins are *stood up again after every {one}*.",
  "rule.standUp.no": "A pin that falls *stays down* until the frame ends.",
  "rule.untouched": "A pin that falls untouched *{value}*.",
  "rule.rollThings": "There {value, plural, one {is *# object} other {are *# objects}}* to {one}.",
  "rule.rollThings.none": "There is *one object*, fetched after each {one}.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.pins":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Swing} other {Aim}} at the pins. Count the pins that are down. When the {many} of a frame are used up, stand all the pins up again.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  'A set of pins in a shape of yours or the child\'s own, a few attempts per frame, points for each pin and a bonus for all at once. Players tap the pins that fell, give the number, or tap "all of them". You choose when a pin is *down*: fallen, leaning, off its spot, or without its top piece.';
