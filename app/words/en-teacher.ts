/** Sentences of the teacher's side that hold a number, a name or a list, as ICU messages. Plain labels are in teacher.ts. */
export const enTeacher: Record<string, string> = {
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
  "sent.oneMore": "{name} has it now. The message is in the outbox.",
  "sent.hadIt": "{name} had it already.",
  "outbox.total": "{n, plural, =0 {No message yet} one {# message} other {# messages}}.",
  "homes.asked": "{n, plural, one {# message is} other {# messages are}} in the outbox.",
  "things.saved": "{n, plural, one {# thing is} other {# things are}} in your list now.",
  "week.played": "{played} of {cards} played, {looked} only opened, {unopened} not opened",
  "week.day": "{day} {n}",
  "result.of": "{n} of {all}",
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
  "strip.can": "{n} of {all}",
  "strip.canWhat": "{silent, plural, =0 {children, all homes said} other {children, # did not say}}",
};
