/** What a card says: how to set the game up. */
export const card = {
  "bases.setUp":
    "{count, plural, one {Lay # base flat. It must not slip.} other {Lay # bases flat. They must not slip.}}",
  "bases.setUp.stop": "Mark the stop spot. Ball there: play stops.",
  "bases.care": "Put the bat down before you run.",
  "bases.softTag": "Touch softly. Never throw at a runner.",
  "together.bases": "One side bats. The other side fields.",
};

/** What the play screen says; it comes with the game's code. */
export const play = {
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
  "bat.who": "Which base did they reach?",
  "bat.batter": "{name}, batting",
  "bat.runner": "{name}, from base {base, number}",
  "bat.invisible": "Invisible runner on base {base, number}",
  "bat.moves": "Moves as far as the batter.",
  "bat.none": "none",
  "bat.stays": "stays",
  "bat.base": "base {base, number}",
  "bat.home": "home",
  "bat.out": "out",
  "bat.done": "That's what happened",
  "bat.missed": "Missed it",
  "bat.ran": "batter: {where}{out, plural, =0 {} other {. # out}}",
  "bat.caught": "Caught",
  "bat.call": "Invisible runner for {name}",
};

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "pattern.bases": "Bases",
  "pattern.bases.how": "Put the ball into play and run the bases before it comes back: runs, outs and innings.",
  "knob.bases": "Bases besides home",
  "knob.baseSide": "Distance between bases",
  "knob.stopSpot": "Stop spot: when the ball is there, play stops",
  "knob.put": "How the ball is put into play",
  "put.tee": "hit off a tee",
  "put.toss": "tossed up and hit",
  "put.pitch": "bowled underarm, then hit",
  "put.kick": "kicked",
  "put.throw": "thrown",
  "knob.outsBy": "A player is out",
  "outsBy.none": "never",
  "outsBy.caught": "by a catch",
  "outsBy.runners": "when tagged, or when the ball gets there first",
  "outsBy.all": "by a catch, a tag, or the ball getting there first",
  "outsBy.swings": "in any of these ways, or after three misses",
  "knob.turnBy": "A side bats until",
  "turnBy.batters": "a set number have batted",
  "turnBy.outs": "a set number are out",
  "knob.turnOuts": "Outs before sides change",
  "knob.turnBatters": "Batters before sides change",
  "knob.innings": "Innings",
  "knob.waitingRunner": "Invisible runners may wait on bases",
  "knob.thereAndBack": "One base: each trip there and back is a run",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.bases": "There {value, plural, one {is *# base*} other {are *# bases*}} besides home.",
  "rule.stopSpot.yes": "When the ball is on *the stop spot*, play stops.",
  "rule.stopSpot.no": "There is *no stop spot*.",
  "rule.put": "The ball is *{value}*.",
  "rule.outsBy": "A player is out *{value}*.",
  "rule.turnBy": "A side bats until *{value}*.",
  "rule.turnOuts": "Sides change after *{value, plural, one {# out} other {# outs}}*.",
  "rule.turnBatters": "Sides change after *{value, plural, one {# batter} other {# batters}}*.",
  "rule.innings": "The game has *{value, plural, one {# inning} other {# innings}}*.",
  "rule.waitingRunner.yes": "*Invisible runners* may wait on bases.",
  "rule.waitingRunner.no": "There are *no invisible runners*.",
  "rule.thereAndBack.yes": "With one base, *each trip there and back* is a run.",
  "rule.thereAndBack.no": "A run is *once round to home*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.bases":
    "Put the ball into play. Run round the bases in order. Getting home scores 1 run. Stop running when the ball reaches the stop spot.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "One to four bases besides home. The ball is hit off a tee, tossed up and hit, bowled underarm, kicked or thrown; then the batter runs. A player is out by a catch, a tag, the ball getting to the base first, three misses, or never. A side bats until a set number have batted or are out. Invisible runners keep a place on a base. *Trains* hitting and deciding to run.";
