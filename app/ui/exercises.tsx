import type { CardExercise, Pose } from "#core/exercises/library.ts";
import { say } from "#words/say.ts";

/** Lengths of a stick figure in its own units: the body, the head, and the upper and lower parts of arms and legs. */
const BODY = 25;
const HEAD = 6;
const ARM = 12;
const LEG = 15;
const FLOOR = 90;
const HALF = 46;

type Point = readonly [x: number, y: number];
const down = ([x, y]: Point, degrees: number, length: number): Point => [
  x + length * Math.sin((degrees * Math.PI) / 180),
  y + length * Math.cos((degrees * Math.PI) / 180),
];
/** The joints of a pose. Its lowest point is on the floor. */
function jointsOf([body, armA, handA, armB, handB, thighA, shinA, thighB, shinB]: Pose, middle: number) {
  const hip: Point = [0, 0];
  const neck = down(hip, 180 - body, BODY);
  const head = down(neck, 180 - body, HEAD + 1);
  const limb = (from: Point, first: number, second: number, length: number): Point[] => {
    const joint = down(from, first, length);
    return [from, joint, down(joint, second, length)];
  };
  const limbs = [
    limb(neck, armA, handA, ARM),
    limb(neck, armB, handB, ARM),
    limb(hip, thighA, shinA, LEG),
    limb(hip, thighB, shinB, LEG),
  ];
  const all = [hip, neck, head, ...limbs.flat()];
  const [left, right] = [Math.min(...all.map((p) => p[0])), Math.max(...all.map((p) => p[0]))];
  const lowest = Math.max(...all.map((p) => p[1]), head[1] + HEAD);
  const put = ([x, y]: Point): Point => [middle + x - (left + right) / 2, FLOOR + y - lowest];
  return { spine: [put(hip), put(neck)], head: put(head), limbs: limbs.map((eachLimb) => eachLimb.map(put)) };
}
const path = (points: readonly Point[]) => points.map(([x, y]) => `${x.toFixed(1)},${y.toFixed(1)}`).join(" ");

function Figure({ pose, middle }: { pose: Pose; middle: number }) {
  const { spine, head, limbs } = jointsOf(pose, middle);
  return (
    <g fill="none" stroke="currentColor" strokeWidth="3" strokeLinecap="round" strokeLinejoin="round">
      <polyline points={path(spine)} />
      {limbs.map((limb, i) => (
        <polyline key={`l${i + 1}`} points={path(limb)} strokeOpacity={i % 2 === 0 ? 1 : 0.6} />
      ))}
      <circle cx={head[0]} cy={head[1]} r={HEAD} />
    </g>
  );
}
/** A drawing of an exercise: its start and its end. Our own work. */
export function ExerciseFigure({ poses, width = 132 }: { poses: readonly [Pose, Pose]; width?: number }) {
  return (
    <svg viewBox="0 0 190 96" width={width} className="shrink-0" aria-hidden="true">
      <line
        x1="4"
        y1={FLOOR + 2}
        x2="186"
        y2={FLOOR + 2}
        stroke="currentColor"
        strokeOpacity="0.35"
        strokeDasharray="3 4"
      />
      <Figure pose={poses[0]} middle={HALF} />
      <Figure pose={poses[1]} middle={190 - HALF} />
      <path d="M88 52h13m-5 -5l5 5l-5 5" fill="none" stroke="currentColor" strokeWidth="2" strokeOpacity="0.6" />
    </svg>
  );
}

/** A list of exercises, as a card shows it. */
export function ExerciseList({ title, list }: { title: string; list: readonly CardExercise[] }) {
  return (
    <section className="mt-5">
      <h2 className="mb-2 text-2xl">{title}</h2>
      <ul className="grid gap-3">
        {list.map((cardExercise) => (
          <li
            key={cardExercise.id}
            className="flex items-center gap-3 rounded-md border-2 border-hair bg-raised p-2 text-lg"
          >
            <ExerciseFigure poses={cardExercise.poses} width={116} />
            <span className="min-w-0 leading-tight">
              <strong className="block">
                {cardExercise.name}: {say(`exercise.${cardExercise.unit}`, { count: cardExercise.dose })}
              </strong>
              <span className="block text-base">{cardExercise.cues.filter(Boolean).join(". ")}.</span>
              <span className="block text-base text-quiet">{say("exercise.seated", { how: cardExercise.seated })}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
