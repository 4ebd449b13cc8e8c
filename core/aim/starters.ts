import type { Action } from "../actions/actions.ts";

/**
 * Starter texts that a teacher takes, edits or removes. Our own wording, for a right-handed child; `mirrored` swaps
 * the sides.
 */
export interface Starter {
  outcomes: readonly string[];
  cues: readonly string[];
  criteria: readonly string[];
}

export const starters: Record<Action, Starter> = {
  twoHandStrike: {
    outcomes: ["Strikes side-on with two hands and a level swing"],
    cues: [
      "Stand side-on",
      "Hands together, left hand lower",
      "Step with the left foot",
      "Swing level, eyes on it",
      "Turn the hips through",
    ],
    criteria: ["Starts side-on", "Steps before the swing", "Swings level", "Lays the implement down before moving off"],
  },
  handStrike: {
    outcomes: ["Strikes with the open hand towards a target"],
    cues: [
      "Side-on, left foot in front",
      "Flat, firm hand",
      "Swing from below the hip",
      "Meet it in front",
      "Finish towards the target",
    ],
    criteria: ["Hand is flat and firm", "Meets it in front of the body", "Hand ends pointing at the target"],
  },
  forehand: {
    outcomes: ["Strikes forehand after a bounce towards a target"],
    cues: [
      "Side-on, implement back early",
      "Let it bounce",
      "Swing low to high",
      "Meet it beside the front foot",
      "Follow through to the target",
    ],
    criteria: ["Implement is back before the bounce", "Meets it beside the front foot", "Swings low to high"],
  },
  backhand: {
    outcomes: ["Strikes backhand after a bounce towards a target"],
    cues: [
      "Turn the right shoulder in front",
      "Implement back early",
      "Let it bounce",
      "Meet it in front",
      "Follow through to the target",
    ],
    criteria: [
      "Turns the shoulder before the bounce",
      "Meets it in front of the body",
      "Follows through to the target",
    ],
  },
  catch: {
    outcomes: ["Catches with two hands, giving with the ball", "Moves the feet to be behind what comes"],
    cues: [
      "Ready hands in front",
      "Watch it all the way",
      "Little fingers together when it is low",
      "Thumbs together when it is high",
      "Give with it",
    ],
    criteria: ["Hands ready before it comes", "Eyes on it to the end", "Gives with it, hands not the chest"],
  },
  tossCatch: {
    outcomes: ["Tosses straight up and catches after a task"],
    cues: ["Toss from the belly button", "Straight up, above the eyes", "Do the task, then look up", "Two ready hands"],
    criteria: ["The toss goes straight up", "Looks up before the catch", "Catches in the hands"],
  },
  carry: {
    outcomes: ["Carries something on an implement without dropping it"],
    cues: [
      "Level hand, arm away from the body",
      "Eyes ahead, not only on it",
      "Small, soft steps",
      "Slow down before a turn",
    ],
    criteria: ["Keeps it level", "Looks where it goes", "Walks, never runs"],
  },
  dribbleFoot: {
    outcomes: ["Keeps a ball close with soft touches of the feet"],
    cues: [
      "Small touches, inside and outside",
      "The ball an arm's length away at most",
      "Look up between touches",
      "Both feet",
    ],
    criteria: ["Keeps the ball close", "Looks up between touches", "Uses both feet"],
  },
  dribbleStick: {
    outcomes: ["Steers a ball with a stick kept on the floor"],
    cues: ["Two hands apart, left hand on top", "Stick stays on the floor", "Push, do not hit", "Knees bent, look up"],
    criteria: ["The stick stays low", "The ball stays at the stick", "Looks up between pushes"],
  },
  balance: {
    outcomes: ["Holds a still balance with a strong middle"],
    cues: ["Look at one point", "Belly firm", "Slow breath", "Soft knee on the standing leg"],
    criteria: ["Stands still", "Looks at one point", "Comes down under control"],
  },
  keepUp: {
    outcomes: ["Keeps a ball up with soft, even touches", "Moves the feet to stay under it"],
    cues: [
      "Stand with knees soft",
      "Watch the ball, not the hand",
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
      "Elbow high, hand behind the head",
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
      "Arm close to the head",
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
    criteria: ["Face of the bat points at the target", "Meets it in front of the body"],
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

/** Questions for after the game that suit any game. */
export const starterQuestions = ["What helped you most?", "What will you try next time?"] as const;
