/** Sentences of this game alone; they come with it. */
export const words = {
  "bases.tee": "Hit it off the tee. Then run!",
  "bases.toss": "Toss it up and hit it. Then run!",
  "bases.pitch": "They bowl it. Hit it, then run!",
  "bases.kick": "Kick it. Then run!",
  "bases.throw": "Throw it. Then run!",
  "bases.call": "Every base is full. Call an invisible runner.",
  "bases.trips": "Hit it. Run there and back.",
  "bases.end": "{innings, plural, one {# inning played.} other {# innings played.}}",
  "bases.summary": "{bases, plural, one {# base} other {# bases}}, {innings, plural, one {# inning} other {# innings}}",
  "refused.callRunner": "Every base is full. Call a runner first.",
  "refused.noRunner": "There is no such runner.",
  "refused.noSuchOut": "Nobody is out that way here.",
  "refused.everyRunner": "Choose a base for all {count, number}.",
  "refused.noSuchBase": "Nobody runs there from that base.",
  "refused.notForced": "That invisible runner need not run.",
};
