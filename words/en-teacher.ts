/**
 * Sentences of the teacher's side that contain a number, a name or a list, as ICU messages. Plain labels are in
 * teacher.ts.
 */
export const enTeacher: Record<string, string> = {
  "change.action":
    "{action, select, underarmRoll {Roll it underarm} slide {Slide it} underarmThrow {Throw it underarm} overarmThrow {Throw it overarm} straightArmBowl {Bowl it} pushThrow {Push it with two hands} kick {Kick it} shortStrike {Hit it with a short bat} longStrike {Push it with a long stick} twoHandStrike {Hit it with two hands} handStrike {Hit it with the hand} forehand {Hit it forehand} backhand {Hit it backhand} other {Do it another way}} instead: {why, select, noRoom {there is no room for a big swing} notForThis {nothing here is right to hold} ceiling {the ceiling is too low} other {nothing here slides or rolls far enough}}",
  "change.limit": "Drop the requirement on {property}, as nothing here meets it",
  "change.touch": "Count touching the {item}, as nothing can go in or through it or knock it over",
  "change.fewer": "Use {count, plural, one {# piece} other {# pieces}}, fetched and used again",
  "change.without": "Leave out {count, plural, one {# target} other {# targets}}, as nothing here can be one",
  "change.reach": "Keep everything within {metres, number} m, the farthest children of this age can reach with it here",
  "change.under": "Keep everything within {metres, number} m, so it stays under the ceiling",
  "unmet.breakable": "Everything here can break.",
  "unmet.never": "What is here is never safe to play with.",
  "unmet.hardThrow": "There is nothing soft here to throw indoors.",
  "unmet.hardKick": "There is nothing soft here to kick.",
  "unmet.flatRoll": "Everything here lies flat.",
  "unmet.pointless": "Nothing here slides or rolls far enough on this floor.",
  "csv.undone":
    "Import undone.{n, plural, =0 {} one { One record that has changed since stays as it is.} other { # records that have changed since stay as they are.}}",
  "csv.kept":
    "{added, plural, =0 {No children added} one {# child added} other {# children added}}, {changed, plural, one {# changed} other {# changed}}, {homes, plural, one {# new home} other {# new homes}}.",
  "csv.bad": "{n, plural, one {# row cannot be saved} other {# rows cannot be saved}}",
  "csv.left": "{n, plural, one {# row still to fix} other {# rows still to fix}}",
  "csv.good": "{n, plural, one {# row is ready} other {# rows are ready}}",
  "csv.new": "{n, plural, one {# new child} other {# new children}}",
  "csv.changed": "{n, plural, one {# child changed} other {# children changed}}",
  "csv.homes": "{n, plural, one {# new home} other {# new homes}}",
  "csv.keep": "{n, plural, one {Save the row that is ready} other {Save the # rows that are ready}}",
  "csv.shorten":
    "{n, plural, one {# name looks like a full name. Shorten it to a first name and an initial.} other {# names look like full names. Shorten them to a first name and an initial.}}",
  "class.size": "{name}, {n, plural, =0 {no children yet} one {# child} other {# children}}",
  "send.to": "{n, plural, one {Send to # child} other {Send to # children}}",
  "sent.told":
    "You sent {title} to {n, plural, one {# child} other {# children}} in {class}. {n, plural, one {The message is} other {The messages are}} in the outbox.",
  "send.otherGame": "Another game for some ages",
  "send.thatGame": "The other game",
  "send.sameForAll": "None: everyone gets the same game",
  "send.alike": "{title} (same outcome)",
  "send.otherText":
    "Children of these ages get the other game instead, with the same dates and number of goes. Each game has its own results. Anyone who joins later gets neither until you send it to them.",
  "pair.all": "Pair all {count, number} at random",
  "pair.done":
    "{count, plural, =0 {There is no one left to pair.} one {One match made.} other {{count, number} matches made.}} Families see it on their page.",
  "pair.gone": "The match has been removed. Results so far are kept.",
  "pair.won": "{name} won",
  "pair.takeBack": "Remove the match of {names}",
  "mark.hint": "for example {score}; you can leave it empty",
  "level.exactly":
    "{way, select, farther {{cm, number} cm farther} nearer {{cm, number} cm nearer} other {the line as designed}}",
  "level.sameAs": "the same as level {number, number}",
  "level.number": "Level {number, number}",
  "level.hands": "Hand at level {number, number}",
  "level.postures": "Posture at level {number, number}",
  "level.actions": "Action at level {number, number}",
  "level.also": "Other changes at level {number, number}",
  "level.sends": "Object at level {number, number}",
  "level.aims": "Target at level {number, number}",
  "level.off":
    "One level is {points, plural, one {1 point} other {# points}} outside your range, and nothing you allow gets closer. Allow more changes, or more space.",
  "level.looking": "Working out levels: {values, plural, =0 {starting} one {1 value tried} other {# values tried}} …",
  "level.failed": "The levels could not be worked out. Set them by hand.",
  "level.nothing": "Changing this number would make no difference to finishing, or far too much. Choose another one.",
  "level.fewer": "You get fewer levels than you asked for, because this number has no other values in between.",
  "level.fewerHits": "You get fewer levels than you asked for, because more of them would hardly differ.",
  "level.noneDiffer":
    "With what may change, every level would be the same for a typical child. {lets, select, yes {Allowing this as well would make them differ: {knob}.} other {Move a target, or use another item, to make them differ.}}",
  "level.allow": "Allow: {knob}",
  "level.meanwhile": "You changed the game while its levels were being worked out. Suggest them again.",
  "level.byEnd":
    "These levels are about finishing when playing alone. “Harder?” is only offered when the distance changes, so not here.",
  "level.none": "This game has no {many} or touches to count, so we can't predict its levels.",
  "level.settles":
    "A child who uses “Easier” and “Harder” settles at about {rate, number}% hits, mostly at level {level, number}.",
  "level.until":
    "After about {sends, plural, one {# {one}} other {# {many}}} each child has settled at a distance. The game then stops asking.",
  "level.untilNever": "Most children will not settle within one go, so the game keeps asking to the end.",
  "level.alike":
    "All these levels are the same: the changes you allow make this game no easier or harder. Change the game itself, or allow another object.",
  "level.each":
    "Each child gets the level that suits them, from their past results or their age. You can change it in Results.",
  "plan.fills":
    "Warm-up {before} min, {rounds, plural, one {one game} other {# games}} {game} min, cool-down {after} min: {all} of {asked, number} min at age {age, number}, {active} of them active.",
  "plan.over": "Even one game with the shortest warm-up takes {over} min longer than that.",
  "plan.week":
    "{days, plural, one {One day} other {# days}} a week: about {active, number} of {goal, number} active minutes. {more, plural, =0 {That is enough.} one {One day would be enough.} other {# days would be enough.}}",
  "plan.never":
    "{days, plural, one {One day} other {# days}} a week: about {active, number} of {goal, number} active minutes. Even every day would not be enough.",
  "rehearsal.what":
    "Every child plays their own card once. Each run number is a different day. The same number repeats it.",
  "rehearsal.nobody": "This class has no children yet.",
  "rehearsal.script": "The trial run happens in your browser, so scripts must be allowed.",
  "rehearsal.failed": "The trial run could not be worked out. Load this page again.",
  "rehearsal.drawing": "Worked out so far: {n, number} of {of, number} …",
  "rehearsal.speed": "×{n, number}",
  "rehearsal.time": "{now} of {end} min",
  "rehearsal.now":
    "{finished, number} of {of, number} finished{short, plural, =0 {} one {; 1 did not finish} other {; # did not finish}}{stuck, plural, =0 {} one {; 1 is finding it too hard} other {; # are finding it too hard}}{waits, plural, =0 {} one {; 1 is waiting} other {; # are waiting}}.",
  "rehearsal.fewer": "Your device can animate {n, number} of {of, number} yards; the rest show text only.",
  "rehearsal.pick": "Choose a child to pause their game and step through it.",
  "rehearsal.of": "{name}",
  "rehearsal.at": "{at} of {end}, step {n, number} of {of, number}",
  "rehearsal.nothing": "Nothing has happened yet.",
  "rehearsal.drawn": "being worked out",
  "rehearsal.ready": "getting ready",
  "rehearsal.sends": "playing",
  "rehearsal.fetches": "fetching",
  "rehearsal.waits": "waiting",
  "rehearsal.done": "done",
  "rehearsal.stuck": "finding it too hard",
  "rehearsal.band": "{low}–{high} ({n, plural, =10 {nearly always} other {about # in 10}})",
  "rehearsal.foreseeing": "Forecast so far: {n, number} of {of, number} …",
  "rehearsal.finish": "In this run {n, number} of {of, number} finish; the forecast is about {about, number}.",
  "rehearsal.inside":
    "{n, number} of {of, number} scores are in their likely range. A score outside it is not wrong, only less common.",
  "rehearsal.event.ready": "ready",
  "rehearsal.event.bell": "time is up",
  "rehearsal.event.task": "task done",
  "rehearsal.event.set": "set out",
  "rehearsal.event.mix": "shuffled",
  "rehearsal.event.swap": "two swapped",
  "rehearsal.event.stand": "stood up again",
  "rehearsal.event.on": "playing on",
  "next.end.up": "{now, number} in 100 goes finish now; level {level, number} should bring {rate, number}, harder",
  "next.end.down": "{now, number} in 100 goes finish now; level {level, number} should bring {rate, number}, easier",
  "next.end.stay": "{now, number} in 100 goes finish now. This level is right, or as near as it gets",
  "next.end.stuck":
    "{count, plural, =0 {} one {Finding it too hard: 1 child did not finish any of their last three games} other {Finding it too hard: # children did not finish any of their last three games}}",
  "next.end.bored":
    "{count, plural, =0 {} one {Finding it too easy: 1 child finished all of their last three games} other {Finding it too easy: # children finished all of their last three games}}",
  "next.up":
    "{did, select, touch {Keeps up} other {Hits}} {now, number}% {did, select, touch {of touches } other {}}now; level {level, number} should give {rate, number}%, harder",
  "next.down":
    "{did, select, touch {Keeps up} other {Hits}} {now, number}% {did, select, touch {of touches } other {}}now; level {level, number} should give {rate, number}%, easier",
  "next.stay":
    "{did, select, touch {Keeps up} other {Hits}} {now, number}% {did, select, touch {of touches } other {}}now. This level is right, or as near as it gets",
  "next.none": "This game has no throws or touches to count",
  "next.stuck":
    "{count, plural, =0 {} one {Finding it too hard: 1 child hit fewer than {low, number} in 100 in their last three games} other {Finding it too hard: # children hit fewer than {low, number} in 100 in their last three games}}",
  "next.bored":
    "{count, plural, =0 {} one {Finding it too easy: 1 child hit more than {high, number} in 100 in their last three games} other {Finding it too easy: # children hit more than {high, number} in 100 in their last three games}}",
  "next.absent":
    "{count, plural, =0 {Everyone has played} one {1 child has not played} other {# children have not played}}",
  "next.proposed": "This game had no levels, so we worked some out for a typical child aged {age, number}.",
  "fairHere.starter": "A draw decides who starts. The player who starts wins {wins, number} games in 100.",
  "fairHere.ties": "{ties, number} games in 100 end in a draw. To decide them, each player takes one more go.",
  "fairHere.child": "The child aged {age}",
  "fairHere.head": "a head start of {points, plural, one {1 point} other {# points}}",
  "fairHere.court": "a court or goal {tenths, number} tenths as wide to guard",
  "fairHere.back":
    "{half, select, yes {half a step} other {{steps, plural, one {one step} other {{steps, number} steps}}}} back ({metres} m)",
  "level.changed": "Level changed. Cards not yet started have been updated.",
  "truth.inside": "of games were in their likely range. If the forecasts are right, about {meant, number}% should be.",
  "truth.off":
    "Not every forecast is right yet: where it said {forecast, number}%, {seen, number}% of {tries, number} attempts hit.",
  "truth.over":
    "{goes, plural, one {1 game} other {# games}} by {children, plural, one {1 child} other {# children}}, each compared with a forecast from the games before it.",
  "truth.better":
    "of what is possible. At 0%, forecasts would know only the children's age; at 100%, exactly how often each of them hits.",
  "truth.noBetter":
    "of what is possible: so far, the forecasts know no more than the children's age. Rely on them less until more games have come back.",
  "look.unlikely":
    "{hits, number} of {tries, number} hit{goes, plural, one {} other { in {goes, number} games}}, where this child's earlier games suggest about {expected, number}. Did someone help, or was it typed in later?",
  "truth.few": "Too early to tell",
  "truth.fewWhy": "how good the forecasts are. It takes about 200 attempts by children who differ from each other.",
  "level.asDrawn": "as designed",
  "level.farther":
    "{half, select, yes {half a step} other {{steps, plural, one {one step} other {{steps, number} steps}}}} farther back",
  "level.nearer":
    "{half, select, yes {half a step} other {{steps, plural, one {one step} other {{steps, number} steps}}}} nearer",
  "level.target": "{item} as the target",
  "level.thing": "with {item}",
  "level.hand": "with the other hand",
  "level.helper": "someone {helper, select, feeds {hands each one over} other {catches it and plays it back}}",
  "level.helpers": "Helper at level {number, number}",
  "level.posture": "{posture, select, kneeling {kneeling} other {sitting}}",
  "plain.plate":
    "hits a dinner plate from {metres, number} m {times, plural, =0 {less than once} one {about once} other {about # times}} in 10",
  "plain.stops":
    "stops a slide within {cm, number} cm of a line {metres, number} m away {times, plural, =0 {less than once} one {about once} other {about # times}} in 10",
  "plain.run": "keeps it up about {count, plural, =0 {less than once} one {once} other {# times}} in a row",
  "child.rests": "Based on {tries, plural, one {1 {one}} other {# {many}}}, last played {when}.",
  "child.none": "No results from {name} yet, so we use what's usual at {age, number}.",
  "preview.notKept": "Preview only. Nothing is saved or sent.",
  "preview.title": "{game}, for {name}",
  "preview.none": "No support ticked: this is the standard card.",
  "preview.used": "Used on this card: {what}.",
  "preview.idle": "Not needed in this game: {what}.",
  "preview.rates":
    "Likely to hit about {plain, number} in 10 as standard, {with, number} in 10 with this support. Don't want that? Untick it before you save.",
  "preview.notHeld":
    "Even with everything moved nearer, this game stays harder for this child than you planned. {list, select, none {No ready-made activity fits better.} other {These fit better: {list}.}}",
  "preview.game": "Try it on the card for",
  "preview.see": "Preview card",
  "child.weeks": "Week by week: {what}",
  "child.lean":
    "The last {n, plural, one {piece} other {# pieces}} stopped {along, select, short {{far, number} cm short on average} long {{far, number} cm too far on average} other {at the right distance on average}}, {across, select, left {{aside, number} cm to the left} right {{aside, number} cm to the right} other {and straight}}. {wild, plural, =0 {None went astray.} one {About 1 went astray.} other {About # went astray.}}",
  "child.likely": "Likely range: {low}–{high} (8 in 10 children).",
  "truth.silent":
    "{count, plural, one {1 game is} other {# games are}} left out: none of its attempts is known to be the child's own.",
  "truth.refused":
    "{count, plural, one {1 game is} other {# games are}} left out: the record breaks the rules of the game.",
  "truth.unreadable":
    "{count, plural, one {1 game is} other {# games are}} left out: this version cannot read the record.",
  "truth.cardUnknown": "{count, plural, one {1 game is} other {# games are}} left out: its card is unknown.",
  "child.played":
    "Played {lately, number} min in the last seven days; {week, number} min a week over {weeks, plural, one {1 week} other {# weeks}}, without warm-up and cool-down.{asked, select, yes { The newest game asks for {goal, number} active minutes a week.} other {}}",
  "child.goes": "{count, plural, one {1 game played} other {# games played}}",
  "sent.oneMore": "{name} has it now. The message is in the outbox.",
  "sent.hadIt": "{name} had it already.",
  "result.coded": "The score of {name} was added.",
  "kit.held": "Held in the hand",
  "kit.heldUsual": "{item} (the usual one)",
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
  "homes.added": "{name} has been added.",
  "homes.asked": "{n, plural, one {# message is} other {# messages are}} in the outbox.",
  "things.saved": "{n, plural, one {# item is} other {# items are}} now in your list.",
  "week.played": "{played} of {cards} played, {looked} opened only, {unopened} not opened",
  "week.unsent":
    "{n, plural, =0 {No one had played it yet} one {1 child had played it: their result is kept} other {# children had played it: their results are kept}}",
  "links.title": "Links for {class}",
  "links.how":
    "Each link opens one family's own page, without a password. Copy them into your own messages, or print the codes, cut them out and send them home in school bags.",
  "links.copyAll": "Copy all links",
  "links.print": "Print QR codes",
  "links.none": "This class has no children yet.",
  "links.scan": "Point a phone's camera here to open your games.",
  "links.codeOf": "QR code for {child}",
  "links.withdrawn": "Link off. Turn it on under Homes.",
  "links.see": "Links and QR codes for {class}",
  "sheets.of": "{n, plural, one {# sheet} other {# sheets}}, {class}",
  "sheets.print": "{n, plural, one {Print sheet} other {Print all # sheets}}",
  "sheets.none": "No child has this card.",
  "picker.thing": "{name}: {n} of {all, plural, one {# home} other {# homes}}",
  "picker.told":
    "{n, plural, one {# home in this class has told us what it has.} other {# homes in this class have told us what they have.}}",
  "byTarget.band": "{points, plural, one {1-point band} other {#-point band}}",
  "byTarget.cell": "square {label}",
  "byTarget.line": "from line {number}",
  "byTarget.mark": "at spot {number}",
  "byTarget.other": "{id, select, short {too short} over {too far} out {outside} other {{id}}}",
  "result.beat": "{n, plural, one {beat your score of {mark}} other {beat your score of {mark}}}",
  "result.begun": "{n, plural, one {# go started} other {# goes started}}",
  "result.with": "{n, plural, one {with # other} other {with # others}}",
  "result.match": "match {n}",
  "result.corrected": "{by}: {reason}",
  "result.range": "{most, select, none {{least} or more} other {{least}–{most}}}",
  "result.reached": "how many targets, 0–{most}",
  "kit.homes":
    "{n} of {all, plural, one {# child} other {# children}} {all, plural, one {has} other {have}} what they need{silent, plural, =0 {} one {; # home hasn't told us} other {; # homes haven't told us}}",
  "strip.cut": "About {share} of goes run on too long to predict.",
  "strip.holds": "{n, plural, =10 {nearly all goes} other {about # in 10 goes}}",
  "things.count":
    "{n, plural, one {# item} other {# items}}{own, plural, =0 {} other {, # of your own}}{hidden, plural, =0 {} other {, # hidden}}",
  "strip.mark": "score to beat: {mark}",
  "rates.any": "Share of {many} that hit, aimed at the middle of the target.",
  "rates.zones": "Share of {many} that stop in the band, aimed at its middle.",
  "rates.cells": "Share of {many} that land in the middle square when aimed at it.",
  "rates.fall": "Share of the pins that a first {one} knocks down, aimed at the middle.",
  "rates.keep": "Share of touches that keep it up.",
  "rates.rebound": "Share of {many} that rebound onto the landing spot.",
  "strip.ends": "targets set out at {near, number} near, {far, number} far",
  "warning.cannotEnd": "This game could go on for ever: there is a point from which no one can finish.",
  "warning.slow":
    "Half of all goes would last longer than the {planned, plural, one {# minute} other {# minutes}} you planned, many far longer.",
  "warning.nobody": "No child aged {from} to {to} can reach it: {what}.",
  "warning.alwaysBest": "There is no real choice, as one target is always worth going for: {what}.",
  "warning.luck": "Head to head, the better player hardly wins more often.",
  "warning.level": "Head to head, most games will end in a draw.",
  "warning.tooLong":
    "A typical child needs about {minutes, plural, one {# minute} other {# minutes}} with warm-up and cool-down, more than the {planned, plural, one {# minute} other {# minutes}} you planned.",
  "fix.set":
    "Set {knob} to {unit, select, s {{to, plural, one {# second} other {# seconds}}} m {{to, number} m} other {{to, number}}}",
  "fix.choose": "Choose “{option}” for {knob}",
  "fix.nearer": "Move {n, plural, one {it} other {them}} {cm, number} cm nearer",
  "fix.farther": "Move {n, plural, one {it} other {them all}} {cm, number} cm farther away",
  "fix.points": "Use points that make every choice worth it",
  "fix.minutes": "Plan {minutes, plural, one {# minute} other {# minutes}}",
  "rates.nobody": "No child aged {from}–{to} is likely to reach the {what}. Move it nearer, or ask for less before it.",
  "rates.chase": "Share of {many} that are chased and picked up in time.",
  "rates.receive": "Share of {many} that are caught at the spot.",
  "rates.skill": "Share of attempts that succeed.",
  "rates.near": "Share of {many} that end nearer to the jack than the distance to beat.",
  "rates.jack": "Share of {many} that stop between the lines.",
  "rates.shuttle": "Share of {many} there that hit.",
  "rates.course": "Share of laps without a missed gate.",
  "rates.bat": "Share of balls good enough for a base or more, against fielders of the same age.",
  "set.inUnit": "counted in {unit}",
  "rates.over": "Share of touches that keep the rally going.",
  "rates.point": "Share of points won against someone of the same age, on their own serve and on the other's.",
  "rates.goal": "Share of goals against someone of the same age.",
  "rates.round": "round {number}",
  "speller.also": "These cards can also spell: {words}.",
  "speller.cards":
    "The list needs {fewest, plural, one {# card} other {# cards}}; you have {lie, plural, one {#} other {#}}.",
  "pins.gap.lets": "From the line, the object can pass through a gap of {cm} cm without touching a pin.",
  "pins.gap.none": "From the line, no gap is wide enough for the object to pass through.",
  "pegs.target": "{count, plural, one {target} other {targets}}",
  "pegs.line": "{count, plural, one {line} other {lines}}",
  "group.rounds": "Round {n}",
  "group.stages": "Stage {n}",
  "group.tasks": "Task {n}",
  "strip.can": "{n} of {all}",
  "strip.canWhat":
    "{silent, plural, =0 {children; every home has told us} one {children; # home hasn't told us} other {children; # homes haven't told us}}",
};
