import { mirrored } from "#core/aim/mirrored.ts";
import type { Card } from "#core/compile/card.ts";
import { extraObjects } from "#core/kit/extra-objects.ts";
import type { PartOf } from "#core/yard/parts.ts";
import type { SquareCode as Code } from "#server/links/qr-code.ts";
import { enPaper } from "#words/en-paper.ts";
import { addWords, type ItemNames, itemName, namesOf, say, sayPhrase } from "#words/say.ts";
import "#words/set-up.ts";
import type { SheetRules } from "#words/sheet.ts";
import { attemptWords } from "#words/verbs.ts";
import { ItemDrawing } from "../../drawings/items.tsx";
import { SquareCode } from "../../ui/qr-code.tsx";
import { CountsPicture } from "./counts-picture.tsx";
import { RULER_CM } from "./ruler.ts";
import { stages } from "./set-up-screen.tsx";
import { mapScale, YardMap } from "./yard-map.tsx";

addWords(enPaper);

/** The plan on paper: the size of its drawing, and how wide it is printed. */
const PLAN = { width: 520, height: 400, mm: 96 };
const GOES = 6;
/** If a go has no more attempts than this, each gets a box, and fewer goes fit on the sheet. */
const MAX_BOXES = 30;
const BOXED_GOES = 3;
/** How many cues are printed. */
const CUES = 2;
/** With more set-up steps than this, they are printed smaller, so that there is only one sheet. */
const MAX_WIDE = 13;
/** With more safety checks than this, they are printed smaller too. */
const MAX_TICKS = 7;
const BLANK = "______";

/**
 * A card on one sheet of A4 or Letter: what to fetch, the plan to scale, how to set it up, cautions, score boxes, a
 * ruler.
 */
interface SheetData {
  name: string;
  card: Card;
  tries: number;
  code: Code | null;
  rules: SheetRules;
}

export function Sheet({ data }: { data: SheetData }) {
  const { card } = data;
  const { sends } = card.needs;
  const cues = card.activity.cues.slice(0, CUES);
  const { watch = [] } = card.activity;
  const names = namesOf(card.activity.kit.own);
  const picks = [...(card.needs.kinds ?? []), ...(card.home?.picks ?? [])];
  const things =
    picks.length > 0
      ? picks.map((pick) => ({ item: pick.item, count: pick.count }))
      : [
          ...(card.needs.pieces > 0 ? [{ item: card.activity.kit.send, count: card.needs.pieces }] : []),
          ...(card.activity.kit.implement ? [{ item: card.activity.kit.implement, count: 1 }] : []),
          ...extraObjects(card.activity).map((item) => ({ item, count: 1 })),
        ];
  const perMetre = (mapScale(card.parts, PLAN.width, PLAN.height) * PLAN.mm) / PLAN.width;
  const zone = card.parts.find((part) => part.kind === "zone");
  const steps = stages(data);
  const busy = steps.length > MAX_WIDE;
  const ticks = card.cautions.length + (card.grownUp ? 1 : 0) + (card.activity.caution ? 1 : 0);
  return (
    <article className="sheet">
      <header className="flex items-baseline justify-between">
        <h1 className="text-2xl">{card.activity.title}</h1>
        <p>{say("sheet.for", { name: data.name.split(" ")[0]! })}</p>
      </header>
      <GetReady things={things} names={names} ticks={ticks} card={card} perMetre={perMetre} />
      <SetUp busy={busy} steps={steps} zone={zone} />
      <section className="sheet-rules">
        <h2>{say("sheet.rules")}</h2>
        <p>
          <strong>{data.rules.how}</strong>{" "}
          {data.rules.points && (
            <>
              {say("sheet.points")}: <strong>{data.rules.points}.</strong>{" "}
            </>
          )}
          {data.rules.facts.join(" ")} {data.rules.players}
        </p>
      </section>
      <Scores sends={sends} busy={busy} card={card} data={data} />
      {card.together && !busy && (
        <section className="sheet-two">
          <p>
            <strong>{say("together.title")}.</strong>{" "}
            {card.together.map((phrase) => sayPhrase(phrase, {}, attemptWords(card.activity.aim.action))).join(" ")}
          </p>
          <p role="group" aria-label={say("sheet.two")}>
            {["name", "score", "name", "score"].map((box, i) => (
              <span key={`${box} ${i + 1}`}>{say(`sheet.two.${box}`)}</span>
            ))}
          </p>
        </section>
      )}
      <section className="sheet-aside" hidden={busy}>
        <CountsPicture card={card} />
        {cues.length > 0 && (
          <div>
            <h2>{say("fetch.cues")}</h2>
            <ol className="list-decimal pl-[5mm]">
              {cues.map((cue) => (
                <li key={cue.id}>{card.leftHanded ? mirrored(cue.text) : cue.text}</li>
              ))}
            </ol>
            {watch.length > 0 && (
              <p className="mt-[1mm]">
                {say("fetch.watch")}: {watch.map((word) => (card.leftHanded ? mirrored(word) : word)).join("; ")}
              </p>
            )}
          </div>
        )}
        {data.code && (
          <div className="ml-auto text-center">
            <SquareCode code={data.code} label={say("sheet.code")} className="mx-auto w-[26mm]" />
            <p className="text-[3mm] leading-none">{say("sheet.code")}</p>
          </div>
        )}
      </section>
      <footer>
        <p>{say("sheet.step", { line: BLANK })}</p>
        <Ruler />
        <p>{say("sheet.ruler")}</p>
      </footer>
      {card.needs.kinds && <Slips kinds={card.needs.kinds} />}
    </article>
  );
}

/** A slip of paper for every item of a sorting square, on a page of its own, for a home that has none of the items. */
function Slips({ kinds }: { kinds: NonNullable<Card["needs"]["kinds"]> }) {
  return (
    <section className="break-before-page">
      <h2>{say("sheet.slips")}</h2>
      <ul className="sheet-slips" style={{ gridTemplateColumns: `repeat(${kinds.length}, 34mm)` }}>
        {kinds.flatMap(({ item, count }) =>
          Array.from({ length: count }, (_, i) => (
            <li key={`${item} ${i + 1}`}>
              <ItemDrawing item={item} size={70} />
              {itemName(item)}
            </li>
          )),
        )}
      </ul>
    </section>
  );
}

/** A ruler in true size, with whole centimetres and millimetre marks. */
function Ruler() {
  return (
    <svg
      width={`${RULER_CM * 10 + 2}mm`}
      height="9mm"
      viewBox={`-1 0 ${RULER_CM * 10 + 2} 9`}
      overflow="visible"
      role="img"
      aria-label={say("sheet.ruler")}
    >
      {Array.from({ length: RULER_CM * 10 + 1 }, (_, i) => (
        <path
          key={`mm${i + 1}`}
          d={`M${i} 0v${i % 10 === 0 ? 5 : i % 5 === 0 ? 3.5 : 2}`}
          stroke="var(--color-night)"
          strokeWidth={i % 10 === 0 ? 0.35 : 0.2}
        />
      ))}
      {Array.from({ length: RULER_CM + 1 }, (_, i) => (
        <text key={`cm${i + 1}`} x={i * 10} y="8.6" fontSize="3" textAnchor="middle" fill="var(--color-night)">
          {i}
        </text>
      ))}
    </svg>
  );
}

/** Prints the equipment, the safety check and the plan. */
const GetReady = ({
  things,
  names,
  ticks,
  card,
  perMetre,
}: {
  things: { item: string; count: number }[];
  names: ItemNames;
  ticks: number;
  card: Card;
  perMetre: number;
}) => (
  <section className="sheet-row">
    <div>
      <h2>{say("sheet.fetch")}</h2>
      <ul className="sheet-things">
        {things.map((thing, i) => (
          <li key={`${thing.item} ${i + 1}`}>
            <ItemDrawing item={thing.item} size={30} />
            <span>{itemName(thing.item, names)}</span>
            {thing.count > 1 && <span>{say("fetch.count", { count: thing.count })}</span>}
          </li>
        ))}
      </ul>
      <h2>{say("sheet.look")}</h2>
      <ul className={`sheet-ticks ${ticks > MAX_TICKS ? "sheet-tight" : ""}`}>
        {card.cautions.map((caution) => (
          <li key={caution}>{say(`caution.${caution}`)}</li>
        ))}
        {card.grownUp && <li>{say("look.grownUp")}</li>}
        {card.activity.caution && <li>{card.activity.caution}</li>}
      </ul>
      <p className="font-semibold">{say("sheet.first")}</p>
    </div>
    <div>
      <div className="sheet-plan">
        <YardMap parts={card.parts} width={PLAN.width} height={PLAN.height} label={say("setup.all")} />
      </div>
      <p>{say("sheet.scale", { cm: Math.round(1000 / perMetre) })}</p>
    </div>
  </section>
);

/** Prints the set-up steps. */
const SetUp = ({
  busy,
  steps,
  zone,
}: {
  busy: boolean;
  steps: ReturnType<typeof stages>;
  zone: PartOf<"zone"> | undefined;
}) => (
  <section>
    <h2>{say("sheet.setUp")}</h2>
    <ol className={`sheet-steps ${busy ? "sheet-many" : ""}`}>
      {steps.map((step) => (
        <li key={step.id}>
          {step.lines.map((line) => (
            <span key={line}>{line} </span>
          ))}
          {step.distance && <strong>{step.distance}</strong>}
        </li>
      ))}
      {zone?.kind === "zone" && (
        <li>
          {say(`setup.rule.${zone.lineRule}`)} {say(`setup.last.${zone.lastLine ?? "out"}`)}
        </li>
      )}
    </ol>
  </section>
);

/** Prints boxes to tick for each of the child's goes. */
const Scores = ({ sends, busy, card, data }: { sends: number | null; busy: boolean; card: Card; data: SheetData }) => (
  <section>
    <h2>{say("sheet.scores")}</h2>
    {sends !== null && sends <= MAX_BOXES && !busy ? (
      <ul className="grid gap-[2mm]">
        {Array.from({ length: Math.min(card.together ? BOXED_GOES - 1 : BOXED_GOES, data.tries) }, (_, i) => (
          <li key={`go${i + 1}`} className="grid grid-cols-[14mm_1fr_24mm] items-center gap-[2mm]">
            <span>{say("sheet.go", { number: i + 1 })}</span>
            <span className="sheet-boxes">
              {Array.from({ length: sends }, (_, n) => (
                <span key={`send${n + 1}`} />
              ))}
            </span>
            <span className="sheet-total">{say("sheet.total")}</span>
          </li>
        ))}
      </ul>
    ) : (
      <div className="flex items-start gap-[3mm]">
        <ul className="sheet-goes grow">
          {Array.from({ length: GOES }, (_, i) => (
            <li key={`go${i + 1}`}>{say("sheet.go", { number: i + 1 })}</li>
          ))}
        </ul>
        {/* If setting up takes many steps, there is room only for the code. */}
        {busy && data.code && <SquareCode code={data.code} label={say("sheet.code")} className="w-[17mm]" />}
      </div>
    )}
  </section>
);
