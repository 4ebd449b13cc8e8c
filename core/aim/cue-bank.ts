import type { Action } from "../actions/actions.ts";
import { starters } from "./starters.ts";

/**
 * Age bands for which cues are worded: a few short ones for the youngest, the usual ones, and finer ones for the
 * oldest.
 */
export const BANDS = ["young", "middle", "older"] as const;
export type Band = (typeof BANDS)[number];
/** Up to this age, in years, cues are worded for the youngest; from the next one on, for the oldest. */
const YOUNG = 6;
const OLDER = 10;
export const bandOf = (age: number): Band => (age <= YOUNG ? "young" : age >= OLDER ? "older" : "middle");

interface Bank {
  young: readonly string[];
  older: readonly string[];
  /** Common mistakes, each with the cue that helps. */
  mistakes: readonly (readonly [mistake: string, cue: string])[];
  /** Two signs that somebody at home can see. */
  watch: readonly [string, string];
}

/** Our own wording, for a right-handed child. */
const bank: Record<Action, Bank> = {
  underarmRoll: {
    young: ["Look at it", "Big step", "Hand to the floor", "Let it go"],
    older: [
      "Left foot lands before the hand comes through",
      "Let go at the toes, palm up",
      "Finish with the hand at the target",
      "Roll slower for near, longer swing for far",
    ],
    mistakes: [
      ["The ball bounces", "Bend your knees more, let go lower"],
      ["It curves to one side", "Swing straight, palm at the target"],
    ],
    watch: ["The foot on the other side steps forward", "The hand is near the floor when it lets go"],
  },
  slide: {
    young: ["Flat on the floor", "Hand behind it", "Push, do not throw"],
    older: [
      "Long, smooth push from the shoulder",
      "Let go early for near, late for far",
      "Same start every time",
      "Read where the last one stopped",
    ],
    mistakes: [
      ["It is flicked and turns over", "Keep the hand flat behind it"],
      ["Every push is as hard as the last", "Look where it stopped, then change"],
    ],
    watch: ["The piece stays flat", "The next push is changed after a long or a short one"],
  },
  underarmThrow: {
    young: ["Look at it", "Swing back", "Step", "Up and out"],
    older: [
      "Weight moves from back to front foot",
      "Let go at the belt for a low arc, later for a high one",
      "Thumb and fingers open together",
      "Arm ends pointing at the target",
    ],
    mistakes: [
      ["It goes straight up", "Let go sooner, at belt height"],
      ["The arm swings across the body", "Let your arm hang loose and swing straight"],
    ],
    watch: ["The foot on the other side steps", "The arm swings straight past the leg"],
  },
  overarmThrow: {
    young: ["Stand like a star", "Elbow up", "Step and throw"],
    older: [
      "Side-on, weight on the back foot",
      "Elbow as high as the shoulder",
      "Hip, shoulder, elbow, hand, in that order",
      "Arm ends across the other hip",
    ],
    mistakes: [
      ["The arm stops at the hip", "Let it swing on across the body"],
      ["Step and throw with the same side", "The foot of the other side steps"],
    ],
    watch: ["The body starts sideways", "The elbow passes the head"],
  },
  straightArmBowl: {
    young: ["Arm like a windmill", "Straight", "Let go up high"],
    older: [
      "Front arm points, back arm hangs straight",
      "Arm close to the head, firm wrist",
      "Let go just before the top",
      "Back foot comes through",
    ],
    mistakes: [
      ["The elbow bends", "Think of a long windmill"],
      ["It lands at the feet", "Let go earlier, above the head"],
    ],
    watch: ["The arm is straight all the way round", "It leaves the hand above the head"],
  },
  pushThrow: {
    young: ["Hands behind it", "From the chest", "Push"],
    older: ["Elbows in, thumbs behind", "Step into it", "Arms end straight, thumbs down", "Same push left and right"],
    mistakes: [
      ["The elbows stick out", "Elbows beside the ribs"],
      ["One hand pushes harder", "Both thumbs end down"],
    ],
    watch: ["It starts at the chest", "Both arms end straight"],
  },
  kick: {
    young: ["Foot beside it", "Inside of the foot", "Push it"],
    older: [
      "Standing foot beside it, toes at the target",
      "Ankle locked, inside of the foot",
      "Hit the middle of it",
      "Follow through low",
    ],
    mistakes: [
      ["It is hit with the toes", "Turn the foot out, use its inside"],
      ["It leaves the floor", "Lean over it, follow through low"],
    ],
    watch: ["The standing foot is beside it", "The inside of the foot hits it"],
  },
  shortStrike: {
    young: ["Shake hands with it", "Look", "Push it away"],
    older: [
      "Grip as for a handshake",
      "Side-on, meet it in front",
      "The face points at the target as you hit",
      "Short swing, long follow-through",
    ],
    mistakes: [
      ["The wrist flops", "Firm wrist, like a handshake"],
      ["It goes to one side", "Keep the face on the target for longer"],
    ],
    watch: ["The eyes stay on the ball", "The face points at the target after the hit"],
  },
  longStrike: {
    young: ["Two hands", "Keep it down", "Push"],
    older: [
      "Left hand on top, right hand guides",
      "Knees bent, end of it on the floor",
      "Push along a straight line",
      "Stop it below the knee",
    ],
    mistakes: [
      ["It is swung up", "Keep the end on the floor"],
      ["Both hands are together at the top", "Hands apart, lower hand guides"],
    ],
    watch: ["The end stays below the knees", "Two hands, apart"],
  },
  twoHandStrike: {
    young: ["Stand sideways", "Hands together", "Swing flat"],
    older: [
      "Left hand low, knuckles in line",
      "Small step, then hips",
      "Level through the ball",
      "Hands finish over the other shoulder",
    ],
    mistakes: [
      ["It chops down", "Swing as flat as a table"],
      ["The feet stay still", "Step with the left foot first"],
    ],
    watch: ["The body starts sideways", "The swing is level"],
  },
  handStrike: {
    young: ["Flat hand", "Swing from low", "Look at it"],
    older: [
      "Side-on, flat firm hand",
      "Drop it, do not toss it",
      "Meet it in front at hip height",
      "Hand ends at the target",
    ],
    mistakes: [
      ["It is hit with the fingers", "Meet it with the heel of the hand"],
      ["It is tossed too high", "Hold it in front and let it drop"],
    ],
    watch: ["The hand is flat and firm", "The hand ends pointing at the target"],
  },
  forehand: {
    young: ["Stand sideways", "Let it bounce", "Swing up"],
    older: [
      "Back early, side-on",
      "Wait for the top of the bounce",
      "Low to high, in front of the hip",
      "Follow through over the shoulder",
    ],
    mistakes: [
      ["The swing starts after the bounce", "Take it back before the bounce"],
      ["It flies high", "Close the face a little, swing longer"],
    ],
    watch: ["It is back before the ball bounces", "The hit is in front of the body"],
  },
  backhand: {
    young: ["Turn your shoulder", "Let it bounce", "Push away"],
    older: [
      "Right shoulder at the target",
      "Two hands if one is too weak",
      "Meet it in front of the foot",
      "Arm opens to the end",
    ],
    mistakes: [
      ["It is hit facing the front", "Turn until the shoulder points"],
      ["The elbow leads", "Let the hand lead, elbow near"],
    ],
    watch: ["The shoulder is turned before the bounce", "The hit is in front"],
  },
  keepUp: {
    young: ["Flat hand", "Soft", "Watch it"],
    older: [
      "Touch under the middle of it",
      "As high as the eyes, no higher",
      "Move the feet before the hand",
      "Change hands without a higher touch",
    ],
    mistakes: [
      ["Each touch is higher", "Softer: as high as your eyes"],
      ["The arm reaches, the feet stay", "Step under it first"],
    ],
    watch: ["The touches are about as high", "The feet move under it"],
  },
  catch: {
    young: ["Hands ready", "Watch it", "Hug it with hands"],
    older: [
      "Move to where it comes, then wait",
      "Fingers up for high, down for low",
      "Give with it to the belly",
      "Ready again at once",
    ],
    mistakes: [
      ["It is trapped against the chest", "Reach out, let the hands give"],
      ["The eyes close or turn away", "Follow it into the hands"],
    ],
    watch: ["The hands are ready before it comes", "The hands give with it"],
  },
  tossCatch: {
    young: ["Toss it up", "Watch it", "Two hands"],
    older: [
      "Straight up from the middle",
      "Do the task early, then look up",
      "Catch as high as the eyes",
      "Same height each time",
    ],
    mistakes: [
      ["The toss goes forward", "Toss from the belly button, straight up"],
      ["The task comes too late", "Toss, task at once, then look"],
    ],
    watch: ["The toss goes straight up", "The eyes look up before the catch"],
  },
  carry: {
    young: ["Hold it flat", "Small steps", "Look ahead"],
    older: ["Bent elbow, loose wrist", "Look two steps ahead", "Slow down before a turn", "Breathe"],
    mistakes: [
      ["The eyes never leave it", "Look up at every second step"],
      ["The steps are too big", "Soft, small steps"],
    ],
    watch: ["It stays level", "Walking, not running"],
  },
  dribbleFoot: {
    young: ["Small kicks", "Keep it close", "Look up"],
    older: [
      "Touch at every second step",
      "Inside to turn, outside to go",
      "Body between it and the chair",
      "Look up between touches",
    ],
    mistakes: [
      ["It runs away", "Softer and sooner"],
      ["Only one foot plays", "Left, right, left, right"],
    ],
    watch: ["The ball stays within an arm's length", "Both feet play"],
  },
  dribbleStick: {
    young: ["Stick on the floor", "Push it", "Knees bent"],
    older: [
      "Left hand turns, right hand slides",
      "Ball in front and to the right",
      "Short pushes, stick stays down",
      "Look up between pushes",
    ],
    mistakes: [
      ["It is hit, not pushed", "Keep the stick at the ball"],
      ["The back is bent", "Bend the knees instead"],
    ],
    watch: ["The stick stays on the floor", "The ball stays at the stick"],
  },
  balance: {
    young: ["Look at one thing", "Belly strong", "Arms out"],
    older: [
      "Weight over the middle of the foot",
      "Hips level",
      "Slow breath, eyes still",
      "Come down as slowly as you went up",
    ],
    mistakes: [
      ["The eyes wander", "Choose a point and stay on it"],
      ["The standing knee is locked", "Soft knee"],
    ],
    watch: ["The eyes rest on one point", "The end is under control"],
  },
};

/** The cues of an action for an age band. */
export const cuesFor = (action: Action, band: Band): readonly string[] =>
  band === "middle" ? starters[action].cues : bank[action][band];
export const mistakesOf = (action: Action): Bank["mistakes"] => bank[action].mistakes;
/** Two signs for somebody at home to watch for. */
export const watchFor = (action: Action): readonly [string, string] => bank[action].watch;
