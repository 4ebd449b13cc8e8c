import type { Knob, Space } from "../contract.ts";
import { type ClimbParams, MOST_RUNGS } from "./params.ts";

/** What a further target begins as. */
const ADDED = { item: "tin", width: 0.08, height: 0.11 };
const cm = (m: number) => Math.round(m * 100) / 100;

/** What the stations offer for a climb. */
export function knobs(p: ClimbParams): Knob[] {
  const out: Knob[] = [
    {
      station: "score",
      kind: "number",
      path: ["tries"],
      label: "knob.tries",
      least: 1,
      most: 200,
      step: 1,
      off: { label: "knob.noCap", initial: 24 },
    },
    {
      station: "score",
      kind: "choice",
      path: ["scoring"],
      label: "knob.scoring",
      options: [
        {
          value: p.scoring.by === "points" ? p.scoring : { by: "points", first: 3, growth: 0 },
          label: "knob.byPoints",
        },
        { value: { by: "tries" }, label: "knob.byTries" },
        { value: { by: "time" }, label: "knob.byTime" },
      ],
    },
  ];
  if (p.scoring.by === "points")
    out.push(
      {
        station: "score",
        kind: "number",
        path: ["scoring", "first"],
        label: "knob.first",
        least: 0,
        most: 100,
        step: 1,
      },
      {
        station: "score",
        kind: "number",
        path: ["scoring", "growth"],
        label: "knob.growth",
        hint: "knob.growthHint",
        least: 0,
        most: 50,
        step: 1,
      },
    );
  out.push(
    {
      station: "score",
      kind: "number",
      unit: "s",
      path: ["timeLimit"],
      label: "knob.timeLimit",
      least: 10,
      most: 1800,
      step: 5,
      off: { label: "knob.noBell", initial: 120 },
    },
    {
      station: "score",
      kind: "choice",
      path: ["forfeit"],
      label: "knob.forfeit",
      options: [
        { value: null, label: "knob.none" },
        { value: p.forfeit ?? { misses: 3, exercise: "star jumps", dose: 5 }, label: "knob.exercise" },
      ],
    },
  );
  if (p.forfeit)
    out.push(
      {
        station: "score",
        kind: "number",
        path: ["forfeit", "misses"],
        label: "knob.misses",
        least: 1,
        most: 20,
        step: 1,
      },
      { station: "score", kind: "text", path: ["forfeit", "exercise"], label: "knob.exerciseName", most: 40 },
      { station: "score", kind: "number", path: ["forfeit", "dose"], label: "knob.dose", least: 1, most: 60, step: 1 },
    );
  out.push({
    station: "score",
    kind: "number",
    path: ["goes", "count"],
    label: "knob.goes",
    least: 1,
    most: 5,
    step: 1,
  });
  if (p.goes.count > 1)
    out.push({
      station: "score",
      kind: "choice",
      path: ["goes", "keep"],
      label: "knob.keep",
      options: [
        { value: "best", label: "knob.best" },
        { value: "total", label: "knob.total" },
      ],
    });
  if (p.ladder.kind === "targets")
    out.push({
      station: "yard",
      kind: "choice",
      path: ["ladder", "order"],
      label: "knob.order",
      options: [
        { value: "nearest", label: "knob.nearest" },
        { value: "farthest", label: "knob.farthest" },
        { value: "listed", label: "knob.listed" },
      ],
    });
  out.push(
    { station: "yard", kind: "choice", path: ["ladder"], label: "knob.ladder", options: ladders(p) },
    {
      station: "players",
      kind: "choice",
      path: ["swap"],
      label: "knob.swap",
      hint: "knob.swapHint",
      options: [
        { value: "send", label: "knob.swapSend" },
        { value: "miss", label: "knob.swapMiss" },
        { value: "go", label: "knob.swapGo" },
      ],
    },
    {
      station: "players",
      kind: "choice",
      path: ["end"],
      label: "knob.end",
      options: [
        { value: "all", label: "knob.endAll" },
        { value: "first", label: "knob.endFirst" },
      ],
    },
  );
  return out;
}

/** The same climb told the other way: targets at rising distances, or one target and a line that moves back. */
function ladders({ ladder }: ClimbParams) {
  if (ladder.kind === "targets") {
    const { distance: _, ...first } = ladder.targets[0]!;
    const lines = [...new Set(ladder.targets.map((t) => t.distance))].sort((a, b) => a - b);
    return [
      { value: ladder, label: "knob.ladderTargets" },
      {
        value: {
          kind: "line",
          target: { ...first, across: 0 },
          lines: lines.filter((d, i) => i === 0 || d - lines[i - 1]! >= 0.05),
        },
        label: "knob.ladderLine",
      },
    ];
  }
  const spread = (i: number) => cm((i % 2 === 0 ? -1 : 1) * (0.25 + 0.1 * i));
  return [
    {
      value: {
        kind: "targets",
        order: "nearest",
        targets: ladder.lines.map((distance, i) => ({
          ...ladder.target,
          id: `t${i + 1}`,
          distance,
          across: spread(i),
        })),
      },
      label: "knob.ladderTargets",
    },
    { value: ladder, label: "knob.ladderLine" },
  ];
}

export function pegKnobs({ ladder }: ClimbParams, id: string): Knob[] {
  const base =
    ladder.kind === "targets"
      ? ["ladder", "targets", ladder.targets.findIndex((t) => t.id === id)]
      : ["ladder", "target"];
  const at = (name: string) => [...base, name];
  const metres = { station: "yard", kind: "number", unit: "m", step: 0.05 } as const;
  const target: Knob[] = [
    { station: "yard", kind: "item", path: base, label: "knob.item" },
    { station: "yard", kind: "text", path: at("label"), label: "knob.label", most: 30 },
    { ...metres, path: at("across"), label: "knob.across", hint: "knob.acrossHint", least: -10, most: 10 },
    { ...metres, path: at("width"), label: "knob.width", least: 0.02, most: 3, step: 0.01 },
    { ...metres, path: at("height"), label: "knob.height", least: 0.01, most: 3, step: 0.01 },
    {
      station: "yard",
      kind: "choice",
      path: at("counts"),
      label: "knob.counts",
      options: [
        { value: ["touch"], label: "knob.touch" },
        { value: ["into"], label: "knob.into" },
        { value: ["touch", "into"], label: "knob.either" },
        { value: ["through"], label: "knob.through" },
        { value: ["touch", "through"], label: "knob.touchThrough" },
        { value: ["topple"], label: "knob.topple" },
      ],
    },
  ];
  const chosen = ladder.kind === "targets" ? ladder.targets.find((t) => t.id === id) : ladder.target;
  if (chosen?.counts.includes("into"))
    target.push(
      {
        station: "yard",
        kind: "choice",
        path: at("lies"),
        label: "knob.lies",
        hint: "knob.liesHint",
        options: [
          { value: undefined, label: "knob.liesAsSent" },
          { value: true, label: "knob.liesYes" },
          { value: false, label: "knob.liesNo" },
        ],
      },
      {
        station: "yard",
        kind: "number",
        path: at("turn"),
        label: "knob.turn",
        hint: "knob.turnHint",
        least: -80,
        most: 80,
        step: 5,
      },
    );
  if (chosen?.counts.includes("topple") && (chosen.weight?.contents ?? 0) > 0)
    target.push({
      station: "yard",
      kind: "number",
      path: [...at("weight"), "filling"],
      label: "knob.filling",
      hint: "knob.fillingHint",
      least: 0,
      most: 1,
      step: 0.05,
    });
  const distance = ladder.kind === "targets" ? at("distance") : ["ladder", "lines", Number(id.slice(1)) - 1];
  return [
    {
      ...metres,
      path: distance,
      label: ladder.kind === "targets" ? "knob.distance" : "knob.fromTarget",
      least: 0.3,
      most: 30,
    },
    ...target,
  ];
}

export function addPeg(p: ClimbParams, space: Space): ClimbParams | null {
  const { ladder } = p;
  if (ladder.kind === "line") {
    const last = ladder.lines[ladder.lines.length - 1]!;
    const next = cm(Math.min(last + 0.6, space.length));
    return ladder.lines.length >= MOST_RUNGS || next < last + 0.05
      ? null
      : { ...p, ladder: { ...ladder, lines: [...ladder.lines, next] } };
  }
  if (ladder.targets.length >= MOST_RUNGS) return null;
  const far = ladder.targets.reduce((a, b) => (b.distance > a.distance ? b : a));
  const room = far.distance + 0.6 <= space.length;
  const n = 1 + Math.max(...ladder.targets.map((t) => Number(t.id.slice(1)) || 0));
  const side = cm((far.across > 0 ? -1 : 1) * Math.min(0.45, space.width / 2 - 0.2));
  const added = {
    id: `t${n}`,
    item: ADDED.item,
    label: "",
    distance: cm(room ? far.distance + 0.6 : far.distance),
    across: side,
    width: ADDED.width,
    height: ADDED.height,
    counts: ["touch" as const],
  };
  return { ...p, ladder: { ...ladder, targets: [...ladder.targets, added] } };
}

export function removePeg(p: ClimbParams, id: string): ClimbParams | null {
  const { ladder } = p;
  if (ladder.kind === "line")
    return ladder.lines.length < 2
      ? null
      : { ...p, ladder: { ...ladder, lines: ladder.lines.filter((_, i) => `l${i + 1}` !== id) } };
  return ladder.targets.length < 2
    ? null
    : { ...p, ladder: { ...ladder, targets: ladder.targets.filter((t) => t.id !== id) } };
}
