/** What a card says: how to set the game up. */
export const card = {
  "checklist.setUp.square": "Mark a clear square. Stay inside it.",
  "checklist.setUp.turn": "Clear the square before you turn round. Under eight, a grown-up watches.",
};

/** What the play screen says; it comes with the game's code. */
export const play = {
  "checklist.tick": "Do a task. Then tick it.",
  "checklist.choose": "Which task comes next?",
  "checklist.catch": "Toss and catch. {left, number} to go.",
  "checklist.clap": "Toss, clap, catch. {left, number} to go.",
  "checklist.touchFloor": "Toss, touch the floor, catch. {left, number} to go.",
  "checklist.turn": "Toss, turn once, catch. {left, number} to go.",
  "checklist.balance": "Balance for {seconds, plural, one {# second} other {# seconds}}. {left, number} to go.",
  "checklist.carry": "Carry it without a drop. {left, number} to go.",
  "checklist.end": "The go is over.",
  "checklist.end.all": "The whole list is done!",
  "checklist.summary":
    "{tasks, plural, one {# task} other {# tasks}}, {order, select, free {in any order} other {one by one}}",
  "refused.taskFirst": "Choose a task first.",
  "refused.taskDone": "That task is done already.",
  "refused.unknownTask": "There is no such task.",
  "refused.inOrder": "Do them in the order listed.",
};

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "pattern.checklist": "Checklist",
  "pattern.checklist.how": "A list of tasks, each done a set number of times: tosses, balances, items carried.",
  "knob.listTask": "Task",
  "knob.times": "How many times",
  "knob.held": "Hold for",
  "knob.carried": "Carry for",
  "knob.listLength": "Tasks",
  "knob.listHow": "How it is recorded",
  "knob.listTick": "tick each task",
  "knob.listEach": "tick every time",
  "knob.listNeed": "A task is done after",
  "knob.listDone": "a number of successes",
  "knob.listAttempts": "a number of attempts, successful or not",
  "knob.orderFree": "any order",
  "knob.orderFixed": "the order of the list",
  "knob.byTimes": "times done",
  "knob.byStars": "stars",
  "knob.byAttempts": "fewest attempts",
  "knob.square": "Inside a marked square",
  "knob.squareHint": "Leaving the square spoils that attempt.",
  "knob.swapEach": "after each attempt",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.listLength": "The list has *{value, plural, one {# task} other {# tasks}}*.",
  "rule.listTask": "The task is *{value}*.",
  "rule.times": "Do it *{value, plural, one {# time} other {# times}}*.",
  "rule.held": "Hold it for *{value, plural, one {# second} other {# seconds}}*.",
  "rule.carried": "Carry it *{value} m*.",
  "rule.listHow": "How it is recorded: *{value}*.",
  "rule.listNeed": "A task is done after *{value}*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.checklist": "Do the tasks one by one. Tick each one when it works.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "A list of tasks, each done a set number of times: tosses with a clap, the floor or a turn, a balance, something carried. Tick each task, or every time; in any order or as listed. What counts is times done, the fewest attempts, or stars: one for any, two for half, three for all.";
