/** Sentences of this game alone; they come with it. */
export const words = {
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
