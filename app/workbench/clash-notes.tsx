import type { Clash as LayoutClash } from "#core/yard/clashes.ts";
import { type Part, partsOf } from "#core/yard/parts.ts";
import { targetName } from "#words/say.ts";
import { label } from "#words/teacher.ts";

const sentence = (text: string) => `${text.slice(0, 1).toUpperCase()}${text.slice(1)}.`;

/** If there are more clashes than this, the rest are only counted. */
const MAX_TOLD = 3;
/** Says what clashes on the plan, during a drag too. */
export function ClashNotes({
  clashes,
  parts,
  layout,
}: {
  clashes: readonly LayoutClash[];
  parts: readonly Part[];
  layout: string | null;
}) {
  const targets = partsOf(parts, "target");
  const name = (id: string) => {
    const at = targets.findIndex((target) => target.id === id);
    if (at >= 0) return `${at + 1} ${targetName(targets[at]!)}`;
    const mark = parts.find((part) => part.id === id);
    if (mark?.kind === "zone") return `the band from ${mark.near} m`;
    if (mark?.kind === "person") return "the other player";
    const number = mark && "label" in mark && mark.label ? ` ${mark.label}` : "";
    return layout && number ? `marker${number}` : layout ? label(`layout.${layout}`) : id;
  };
  const text = (clash: LayoutClash) => {
    switch (clash.kind) {
      case "together":
        return `${name(clash.ids[0])} and ${name(clash.ids[1])} are in the same place`;
      case "outside":
        return `${name(clash.ids[0])} is outside the space`;
      case "hides":
        return `${name(clash.ids[0])} hides ${Math.round(100 * clash.share)}% of ${name(clash.ids[1])}`;
      case "tooSmall":
        return `Nothing gets into or through ${name(clash.ids[0])}: the object is too big, or there is no opening this way`;
      case "swing":
        return `${name(clash.ids[0])} is less than ${clash.clear.toFixed(1)} m from the player`;
      case "inWay":
        return `${name(clash.ids[0])} is in the way of ${name(clash.ids[1])}`;
      case "ceiling":
        return `At ${name(clash.ids[0])} the object flies up to ${clash.height.toFixed(1)} m, too near the ceiling`;
      case "tooFar":
        return `${name(clash.ids[0])} is out of reach: ${clash.reach.toFixed(1)} m is the farthest`;
    }
  };
  return (
    <p role="status" className={`min-h-4 text-[0.8rem] leading-tight ${clashes.length > 0 ? "problem" : ""}`}>
      {clashes
        .slice(0, MAX_TOLD)
        .map((clash) => sentence(text(clash)))
        .join(" ")}
      {clashes.length > MAX_TOLD && ` And ${clashes.length - MAX_TOLD} more.`}
    </p>
  );
}
