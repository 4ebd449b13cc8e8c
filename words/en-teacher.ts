/** Sentences of the teacher's side that hold a number, a name or a list, as ICU messages. Plain labels are in teacher.ts. */
export const enTeacher: Record<string, string> = {
  "change.action":
    "{action, select, underarmRoll {Rolled underarm} slide {Slid} underarmThrow {Thrown underarm} overarmThrow {Thrown overarm} straightArmBowl {Bowled} pushThrow {Pushed with two hands} kick {Kicked} shortStrike {Struck with something short} longStrike {Pushed with something long} twoHandStrike {Struck with two hands} handStrike {Struck with the hand} forehand {Struck forehand} backhand {Struck backhand} other {Done in another way}} instead: {why, select, noRoom {a big swing has no room here} notForThis {there is nothing here that is right to hold} ceiling {the ceiling is too low} other {nothing slides or rolls far enough here}}",
  "change.limit": "nothing here meets what was asked: {property} is let go",
  "change.touch": "{item}: touching it counts, since nothing goes in or through, or nothing falls",
  "change.fewer": "with {count, plural, one {# piece} other {# pieces}}, fetched and sent again",
  "change.without": "{count, plural, one {# target} other {# targets}} fewer: nothing here can be one",
  "change.reach": "nothing beyond {metres, number} m: nobody of that age gets farther with it here",
  "change.under": "nothing beyond {metres, number} m: it would touch the ceiling",
  "unmet.breakable": "All that is here can break.",
  "unmet.never": "What is here is never played with.",
  "unmet.hardThrow": "Nothing soft to throw indoors is here.",
  "unmet.hardKick": "Nothing soft to kick is here.",
  "unmet.flatRoll": "All that is here lies flat.",
  "unmet.pointless": "Nothing here slides or rolls far enough on this floor.",
  "csv.kept":
    "{added, plural, =0 {No child added} one {# child added} other {# children added}}, {changed, plural, one {# changed} other {# changed}}, {homes, plural, one {# new home} other {# new homes}}.",
  "csv.bad": "{n, plural, one {# row cannot be kept} other {# rows cannot be kept}}",
  "csv.left": "{n, plural, one {# row is left to mend} other {# rows are left to mend}}",
  "csv.good": "{n, plural, one {# row is good} other {# rows are good}}",
  "csv.new": "{n, plural, one {# new child} other {# new children}}",
  "csv.changed": "{n, plural, one {# child changed} other {# children changed}}",
  "csv.homes": "{n, plural, one {# new home} other {# new homes}}",
  "csv.keep": "{n, plural, one {Yes, keep the good row} other {Yes, keep the # good rows}}",
  "csv.shorten":
    "{n, plural, one {# name looks like a full name: keep a first name and an initial} other {# names look like full names: keep a first name and an initial}}",
  "class.size": "{name}, {n, plural, =0 {no children yet} one {# child} other {# children}}",
  "send.to": "{n, plural, one {Send to # child} other {Send to # children}}",
  "sent.told":
    "{title} was sent to {n, plural, one {# child} other {# children}} of {class}. {n, plural, one {The message is} other {The messages are}} in the outbox.",
  "send.otherGame": "Another game for some ages",
  "send.thatGame": "That game",
  "send.sameForAll": "none: the same for all",
  "send.alike": "{title} (same outcome)",
  "send.otherText":
    "Children of these ages get that game in place of this one, with the same times and goes. Each game has results of its own. Who joins the class later gets neither by itself.",
  "sent.other": "Children of the ages you chose have another game:",
  "sent.otherLink": "its results",
  "pair.all": "Pair all {count, number} by lot",
  "pair.done":
    "{count, plural, =0 {Nobody is left to pair.} one {One match is made.} other {{count, number} matches are made.}} The families see it on their page.",
  "pair.gone": "The match was taken back. What was played stays.",
  "pair.won": "{name} won",
  "pair.takeBack": "Take back the match of {names}",
  "mark.hint": "as {score}, may be left out",
  "level.exactly":
    "{way, select, farther {{cm, number} cm farther} nearer {{cm, number} cm nearer} other {the line as designed}}",
  "level.sameAs": "the same as level {number, number}",
  "level.number": "Level {number, number}",
  "level.hands": "Hand on level {number, number}",
  "level.postures": "How one stands on level {number, number}",
  "level.actions": "How it is sent on level {number, number}",
  "level.also": "Also set on level {number, number}",
  "level.sends": "What is sent on level {number, number}",
  "level.aims": "What stands there on level {number, number}",
  "level.off":
    "A level lies {points, plural, one {one point} other {{points, number} points}} outside: with what may be turned none is nearer. Let more be turned, or give the game more space.",
  "level.looking":
    "Playing it out: {values, plural, =0 {begun} one {one value looked at} other {{values, number} values looked at}} ...",
  "level.failed": "That could not be worked out. Set the levels by hand.",
  "level.nothing":
    "Levels of this number would all be alike: it does not change how often the end is reached, or by far too much. Take another one.",
  "level.fewer": "These are fewer levels than asked for: no other values of this number lie in between.",
  "level.meanwhile": "The game was changed while its levels were worked out. Propose them anew.",
  "level.byEnd":
    "These levels go by how often somebody alone reaches the end. In play only lines go up and down, so here nobody is asked.",
  "level.none": "Nothing in this game is sent at something or kept up one by one, so its levels have no chance.",
  "level.settles": "So a child settles at {rate, number} % hits, most of the time on level {level, number}.",
  "level.until":
    "It has found its place once its way changed {times, plural, one {once} other {# times}}: after about {sends, plural, one {one send} other {{sends, number} sends}}, begun there. Then it is asked no more, and may stop.",
  "level.untilNever": "Its way seldom changes so often in one go: it is asked until its end.",
  "level.alike":
    "These levels are all alike: with what may be turned, this game can be made no easier or harder here. Change what is drawn, or let something else be sent.",
  "level.each":
    "Every child gets the level that suits it, by what its goes say, or its age. In Results another one can be given.",
  "plan.fills":
    "Warm-up {before} min, {rounds, plural, one {one game} other {# games}} {game} min, cool-down {after} min: {all} of {asked, number} min at age {age, number}, {active} of them moving.",
  "plan.over": "One game with the least around it is {over} min longer than that.",
  "plan.week":
    "{days, plural, one {One day} other {# days}} a week: about {active, number} of {goal, number} min of moving. {more, plural, =0 {That is enough.} one {One day would do.} other {# days would do.}}",
  "plan.never":
    "{days, plural, one {One day} other {# days}} a week: about {active, number} of {goal, number} min of moving. Even every day it is not enough.",
  "rehearsal.what":
    "every child plays it once, on its own card, by the rules of the referee and the chances of the forecast. Another draw is another day; the same draw is the same.",
  "rehearsal.nobody": "There are no children in this class yet.",
  "rehearsal.script": "A rehearsal is drawn on this device: it needs scripts to be allowed.",
  "rehearsal.failed": "The rehearsal could not be drawn. Load this page again.",
  "rehearsal.drawing": "Drawn so far: {n, number} of {of, number} ...",
  "rehearsal.speed": "{n, number}x",
  "rehearsal.time": "{now} of {end} min",
  "rehearsal.now":
    "{finished, number} of {of, number} finished{short, plural, =0 {} one {; # did not finish} other {; # did not finish}}{stuck, plural, =0 {} one {; # is stuck} other {; # are stuck}}{waits, plural, =0 {} one {; # is waiting} other {; # are waiting}}.",
  "rehearsal.fewer": "This device is slow: {n, number} of {of, number} pictures move, the others go on in words.",
  "rehearsal.pick": "Choose a child to stop it and go through its game thing by thing.",
  "rehearsal.of": "{name}",
  "rehearsal.at": "{at} of {end}, step {n, number} of {of, number}",
  "rehearsal.nothing": "Nothing has happened yet.",
  "rehearsal.drawn": "is being drawn",
  "rehearsal.ready": "gets ready",
  "rehearsal.sends": "sends",
  "rehearsal.fetches": "fetches",
  "rehearsal.waits": "waits",
  "rehearsal.done": "done",
  "rehearsal.stuck": "stuck",
  "rehearsal.band": "{low} to {high}",
  "rehearsal.foreseeing": "Forecast so far: {n, number} of {of, number} ...",
  "rehearsal.finish": "In this draw {n, number} of {of, number} finish; the forecast says about {about, number}.",
  "rehearsal.inside":
    "{n, number} of {of, number} come to a score where the forecast has 8 in 10 or more of theirs; what lies outside is not wrong, it is rarer.",
  "rehearsal.event.ready": "ready",
  "rehearsal.event.bell": "the bell",
  "rehearsal.event.task": "done",
  "rehearsal.event.set": "set out",
  "rehearsal.event.mix": "mixed",
  "rehearsal.event.swap": "two swapped",
  "rehearsal.event.stand": "stood up again",
  "rehearsal.event.on": "and on it goes",
  "next.end.up": "{now, number} of 100 goes reach the end now: level {level, number} brings {rate, number}, harder",
  "next.end.down": "{now, number} of 100 goes reach the end now: level {level, number} brings {rate, number}, easier",
  "next.end.stay": "{now, number} of 100 goes reach the end, inside or as near as it gets",
  "next.end.stuck":
    "{count, plural, =0 {Nobody is stuck} one {One is stuck: three games without reaching the end} other {{count, number} are stuck: three games without reaching the end}}",
  "next.end.bored":
    "{count, plural, =0 {Nobody is bored} one {One is bored: the end reached three games running} other {{count, number} are bored: the end reached three games running}}",
  "next.up":
    "{did, select, touch {Keeps up} other {Hits}} {now, number}% {did, select, touch {of touches } other {}}now; level {level, number} should give {rate, number}%, harder",
  "next.down":
    "{did, select, touch {Keeps up} other {Hits}} {now, number}% {did, select, touch {of touches } other {}}now; level {level, number} should give {rate, number}%, easier",
  "next.stay":
    "{did, select, touch {Keeps up} other {Hits}} {now, number}% {did, select, touch {of touches } other {}}now. This level is right, or as near as it gets",
  "next.none": "This game has no throws or touches to count",
  "next.stuck":
    "{count, plural, =0 {Nobody is stuck} one {One is stuck: three games under {low, number} % hits} other {{count, number} are stuck: three games under {low, number} % hits}}",
  "next.bored":
    "{count, plural, =0 {Nobody is bored} one {One is bored: three games over {high, number} % hits} other {{count, number} are bored: three games over {high, number} % hits}}",
  "next.absent": "{count, plural, =0 {Everybody played} one {One did not play} other {{count, number} did not play}}",
  "next.proposed": "This game had no levels: these were worked out for the middle child, aged {age, number}.",
  "fairHere.child": "The child of {age}",
  "fairHere.head": "begins with {points, plural, one {one point} other {{points, number} points}}",
  "fairHere.court": "a court or goal to guard of {tenths, number} tenths of the width",
  "fairHere.back":
    "{half, select, yes {half a step} other {{steps, plural, one {one step} other {{steps, number} steps}}}} back ({metres} m)",
  "level.changed": "The level is changed. A card that was not begun is made anew.",
  "truth.over":
    "{goes, plural, one {one game} other {{goes, number} games}} of {children, plural, one {one child} other {{children, number} children}}, each beside what was forecast from the games before it.",
  "truth.better":
    "mean squared error of the forecast beside always guessing the class's own share: the forecast is better.",
  "truth.noBetter":
    "mean squared error of the forecast beside always guessing the class's own share: the forecast is no better. Trust it less until more games have come back.",
  "level.asDrawn": "as it is drawn",
  "level.farther":
    "{half, select, yes {half a step} other {{steps, plural, one {one step} other {{steps, number} steps}}}} farther back",
  "level.nearer":
    "{half, select, yes {half a step} other {{steps, plural, one {one step} other {{steps, number} steps}}}} nearer",
  "level.target": "{item} to aim at",
  "level.thing": "with {item}",
  "level.hand": "with the other hand",
  "level.helper": "somebody {helper, select, feeds {hands each one over} other {catches it and sends it back}}",
  "level.helpers": "Who helps on level {number, number}",
  "level.posture": "{posture, select, kneeling {kneeling} other {sitting}}",
  "plain.plate":
    "hits a dinner plate from {metres, number} m {times, plural, =0 {less than once} one {about # time} other {about # times}} in 10",
  "plain.stops":
    "stops a slide within {cm, number} cm of a line {metres, number} m away {times, plural, =0 {less than once} one {about # time} other {about # times}} in 10",
  "plain.run": "keeps it going about {count, plural, =0 {not once} one {once} other {# times}} in a row",
  "child.rests": "From {tries, plural, one {one send} other {{tries, number} sends or touches}}, the last one {when}.",
  "child.none": "{name} has not handed in a game yet. What is taken of it is what is usual at {age, number}.",
  "preview.notKept": "As it would be. Nothing of it is kept or sent.",
  "preview.title": "{game}, for {name}",
  "preview.none": "No support is ticked: this is the card without any.",
  "preview.used": "Used here: {what}.",
  "preview.idle": "This game has no use for: {what}.",
  "preview.rates":
    "Likely to hit about {plain, number} in 10 without support, {with, number} in 10 with it. Don't want that? Untick it before you keep.",
  "preview.notHeld":
    "Even with everything moved nearer, this game stays harder for this child than you planned. {list, select, none {No ready activity fits better.} other {These fit: {list}.}}",
  "preview.game": "See it on the card of",
  "preview.see": "See the card",
  "child.weeks": "Week by week: {what}",
  "child.lean":
    "Where {n, plural, one {one piece} other {{n, number} pieces}} came to rest: {along, select, short {on the whole {far, number} cm short} long {on the whole {far, number} cm too far} other {neither short nor too far}}, {across, select, left {{aside, number} cm to the left} right {{aside, number} cm to the right} other {to neither side}}; about {wild, plural, =0 {none} one {one} other {#}} of them wild.",
  "child.likely": "With 8 chances in 10 between {low} and {high}.",
  "truth.silent":
    "{count, plural, one {One game has} other {# games have}} no send or touch that is known to be the child's own, and {count, plural, one {is} other {are}} left out.",
  "truth.refused":
    "{count, plural, one {One game is} other {# games are}} told in a way that the rules do not allow, and left out.",
  "truth.unreadable":
    "{count, plural, one {One game} other {# games}} could not be read by this version, and {count, plural, one {is} other {are}} left out.",
  "truth.cardUnknown":
    "{count, plural, one {Of one game} other {Of # games}} nobody knows any more which card it was played from: left out.",
  "child.played":
    "Played for {lately, number} min in the last seven days, {week, number} min a week over {weeks, plural, one {one week} other {# weeks}}, without warm-up and cool-down.{asked, select, yes { The newest game asks for {goal, number} min of moving a week.} other {}}",
  "child.goes": "{count, plural, one {One game came back} other {{count, number} games came back}}",
  "sent.oneMore": "{name} has it now. The message is in the outbox.",
  "sent.hadIt": "{name} had it already.",
  "outbox.total": "{n, plural, =0 {No message yet} one {# message} other {# messages}}.",
  "result.coded": "The score of {name} was added.",
  "kit.held": "Held in the hand",
  "kit.heldUsual": "{item}, as usual",
  "homes.clear": "{n, plural, one {Clear this answer} other {Clear all # answers}}",
  "homes.cleared": "{n, plural, =0 {There was nothing to clear.} one {# answer cleared.} other {# answers cleared.}}",
  "homes.clearedKept": "{n, plural, one {# cleared answer is} other {# cleared answers are}} kept for 14 days.",
  "erase.goes":
    "{goes, plural, =0 {no goes} one {# go} other {# goes}} with {events, plural, one {# recorded step} other {# recorded steps}}, on {cards, plural, one {# card} other {# cards}}",
  "erase.marks":
    "{n, plural, =0 {no success criteria marked} one {# success criterion marked} other {# success criteria marked}}",
  "erase.messages":
    "{messages, plural, =0 {no messages} one {# message} other {# messages}} to the family and {answers, plural, =0 {no survey answers} one {# survey answer} other {# survey answers}}",
  "erase.homes":
    "{n, plural, one {The home {homes}, where nobody else lives} other {The homes {homes}, where nobody else lives}}",
  "homes.back": "{name} is back.",
  "homes.added": "{name} was added.",
  "homes.asked": "{n, plural, one {# message is} other {# messages are}} in the outbox.",
  "things.saved": "{n, plural, one {# thing is} other {# things are}} in your list now.",
  "week.played": "{played} of {cards} played, {looked} only opened, {unopened} not opened",
  "week.unsent":
    "{n, plural, =0 {Nobody had played it} one {# child had played it: their result is kept} other {# children had played it: their results are kept}}",
  "week.day": "{day} {n}",
  "links.title": "Links of {class}",
  "links.how":
    "Each opens one family's own page, without a password. Copy them into your own messages, or print the codes, cut them apart and put them into school bags.",
  "links.copyAll": "Copy all",
  "links.copy": "Copy",
  "links.print": "Print the codes",
  "links.none": "This class has no children yet.",
  "links.scan": "Point a phone's camera here. Your games open.",
  "links.codeOf": "Square code of {child}",
  "links.withdrawn": "Withdrawn: make a new one under Homes.",
  "links.see": "Links and codes of {class}",
  "sheets.of": "{n, plural, one {# sheet} other {# sheets}}, {class}",
  "sheets.print": "{n, plural, one {Print it} other {Print all #}}",
  "sheets.none": "Nobody has this card.",
  "picker.thing": "{name}: {n} of {all, plural, one {# home} other {# homes}}",
  "picker.told": "{n, plural, one {Of # home that told} other {Of # homes that told}} of this class.",
  "byTarget.band": "{points, plural, one {band of # point} other {band of # points}}",
  "byTarget.cell": "square {label}",
  "byTarget.line": "from line {number}",
  "byTarget.mark": "at mark {number}",
  "byTarget.other": "{id, select, short {too short} over {too far} out {outside} other {{id}}}",
  "byTarget.of": "{n} of {all}",
  "result.of": "{n} of {all}",
  "result.chose": "Question: {answer}",
  "result.beat": "{n, plural, one {beat your {mark}} other {beat your {mark}}}",
  "result.begun": "{n, plural, one {# go begun} other {# goes begun}}",
  "result.with": "{n, plural, one {with # other} other {with # others}}",
  "result.match": "match {n}",
  "result.corrected": "{by}: {reason}",
  "result.range": "{most, select, none {{least} or more} other {{least} to {most}}}",
  "result.reached": "how far, 0 to {most}",
  "kit.homes":
    "{n} of {all, plural, one {# child} other {# children}} have the things at home{silent, plural, =0 {} one {, # home did not say} other {, # did not say}}",
  "strip.cut": "{share} of plays end too late to tell",
  "strip.mark": "to beat: {mark}",
  "rates.any": "Share of sends that hit, aimed at its middle.",
  "rates.zones": "Share of sends that stop in the band, aimed at its middle.",
  "rates.cells": "Share of sends that rest in the middle square, aimed at it.",
  "rates.fall": "Share of the pins that a first roll fells, aimed at the middle.",
  "rates.keep": "Share of touches that keep it up.",
  "rates.rebound": "Share of sends that land on the mark.",
  "strip.ends": "set out near {near, number}, far {far, number}",
  "warning.cannotEnd": "This game could go on for ever. Set a maximum number of attempts, or a time limit.",
  "warning.slow":
    "Half of all goes last longer than the {planned, plural, one {# minute} other {# minutes}} you planned, many far longer. Set a maximum number of attempts, or a time limit.",
  "warning.nobody":
    "Nobody from {from} to {to} gets there: {what}. Bring it nearer, make it bigger, or set less before it.",
  "warning.alwaysBest":
    "Always the best choice, for the youngest and the oldest: {what}. There is nothing to weigh. Let the others bring more.",
  "warning.luck":
    "Against each other it is luck alone: half the spread wins hardly more. Give more sends, or smaller targets.",
  "warning.level": "Two who play against each other nearly always end level. Give fewer sends, or harder targets.",
  "warning.tooLong":
    "A typical child needs about {minutes, plural, one {# minute} other {# minutes}} with warm-up and cool-down, more than the {planned, plural, one {# minute} other {# minutes}} you planned.",
  "rates.nobody": "Nobody from {from} to {to} gets there: {what}. Bring it nearer, or set less before it.",
  "rates.chase": "Share of sends that are run after and picked up in time.",
  "rates.receive": "Share of sends that are caught at the mark.",
  "rates.skill": "Share of the times that it comes off.",
  "rates.near": "Share of sends that end nearer to the jack than the mark.",
  "rates.jack": "Share of sends that stop between the limits.",
  "rates.shuttle": "Share of throws there that hit.",
  "rates.course": "Share of runs without a gate missed.",
  "rates.bat": "Share of balls that are good for a base or more, against fielders like them.",
  "set.inUnit": "counted in {unit}",
  "rates.over": "Share of touches that keep the rally going.",
  "rates.point": "Share of points won against somebody like them, on their own serve, and on the other's.",
  "rates.goal": "Share of goals against somebody like them.",
  "rates.round": "round {number}",
  "speller.also": "These cards spell more: {words}.",
  "speller.cards":
    "The list takes {fewest, plural, one {# card} other {# cards}}, and {lie, plural, one {# lies} other {# lie}} there.",
  "pins.gap.lets": "Seen from the line a gap of {cm} cm lets what is rolled pass without a touch.",
  "pins.gap.none": "Seen from the line no gap is wider than what is rolled.",
  "pegs.target": "{count, plural, one {target} other {targets}}",
  "pegs.line": "{count, plural, one {line} other {lines}}",
  "strip.can": "{n} of {all}",
  "strip.canWhat": "{silent, plural, =0 {children, all homes said} other {children, # did not say}}",
};
