/** Sentences of this game alone; they come with it. */
export const words = {
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
