import type { Action } from "./actions.ts";

/** Starter texts a teacher takes, edits or drops: our own wording, for a right-handed child; `mirrored` turns it round. */
export interface Starter {
  outcomes: readonly string[];
  cues: readonly string[];
  criteria: readonly string[];
}

export const starters: Record<Action, Starter> = {
  keepUp: {
    outcomes: ["Keeps a thing up with soft, even touches", "Moves the feet to stay under it"],
    cues: [
      "Stand with knees soft",
      "Watch the thing, not the hand",
      "Touch from below with a flat hand",
      "Send it as high as your eyes",
      "Move your feet under it",
    ],
    criteria: [
      "Touches from below with a flat hand",
      "Each touch is about as high",
      "Moves the feet, not only the arm",
    ],
  },
  underarmRoll: {
    outcomes: ["Rolls underarm along a straight line to a target", "Chooses how hard to roll for near and far targets"],
    cues: [
      "Face the target",
      "Step with the left foot",
      "Bend your knees, hand close to the floor",
      "Swing back, then through",
      "Let go at the toes",
      "Point at the target",
    ],
    criteria: [
      "Steps with the opposite foot",
      "Lets go low, the roll does not bounce",
      "Hand ends pointing at the target",
    ],
  },
  slide: {
    outcomes: ["Controls force so that a slide stops where it should", "Adjusts force after each try"],
    cues: [
      "Crouch side-on, piece flat on the floor",
      "Hand behind the piece",
      "Push smoothly, do not flick",
      "Let go early and follow through",
      "Watch where it stops",
    ],
    criteria: ["Keeps the piece flat", "Pushes smoothly through", "Changes the force after a short or a long one"],
  },
  underarmThrow: {
    outcomes: ["Throws underarm to a target with a soft arc", "Chooses an arc that suits the target"],
    cues: [
      "Face the target",
      "Step with the left foot",
      "Swing the arm back past the leg",
      "Let go at belt height",
      "Follow through to the target",
    ],
    criteria: ["Steps with the opposite foot", "Swings straight, not across", "Lets go at belt height"],
  },
  overarmThrow: {
    outcomes: ["Throws overarm with a side-on start", "Uses the whole body to throw farther"],
    cues: [
      "Stand side-on",
      "Elbow high, hand behind the ear",
      "Step with the left foot",
      "Turn hips, then shoulders",
      "Follow through across the body",
    ],
    criteria: ["Starts side-on", "Steps with the opposite foot", "Turns hips before shoulders"],
  },
  straightArmBowl: {
    outcomes: ["Bowls with a straight arm over the shoulder"],
    cues: [
      "Stand side-on",
      "Arm straight from start to end",
      "Brush the ear",
      "Let go high",
      "Follow through past the other knee",
    ],
    criteria: ["Keeps the arm straight", "Lets go above the head"],
  },
  pushThrow: {
    outcomes: ["Pushes with two hands from the chest to a target"],
    cues: ["Hands behind, thumbs together", "Elbows in", "Step forward", "Push out, thumbs end down"],
    criteria: ["Elbows start close to the body", "Both hands push evenly"],
  },
  kick: {
    outcomes: ["Passes along the floor with the inside of the foot"],
    cues: [
      "Standing foot beside the ball, toes to the target",
      "Inside of the foot",
      "Eyes on the ball",
      "Follow through low",
    ],
    criteria: ["Standing foot points at the target", "Strikes with the inside of the foot"],
  },
  shortStrike: {
    outcomes: ["Strikes with a short implement towards a target"],
    cues: ["Hold as for a handshake", "Side-on", "Meet it in front", "Follow through to the target"],
    criteria: ["Face of the implement looks at the target", "Meets it in front of the body"],
  },
  longStrike: {
    outcomes: ["Pushes with a long implement along the floor to a target"],
    cues: [
      "Two hands, left hand on top",
      "Side-on, knees bent",
      "Keep it low",
      "Push, do not hit",
      "Point at the target",
    ],
    criteria: ["Keeps the implement below the knees", "Pushes through the line"],
  },
};

const PAIRS: Record<string, string> = { left: "right", right: "left", Left: "Right", Right: "Left" };
/** A cue for the other hand: left and right change places. */
export function mirrored(text: string): string {
  return text.replace(/\b(left|right|Left|Right)\b/g, (w) => PAIRS[w]!);
}

/** Questions for after the game that suit any of them. */
export const starterQuestions = ["What helped you most?", "What will you try next time?"] as const;
