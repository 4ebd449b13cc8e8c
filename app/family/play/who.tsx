import { type ComponentProps, Suspense, useState } from "react";
import type { AnyPlayPattern } from "#core/contract/contract.ts";
import { say } from "#words/say.ts";
import { attemptWords } from "#words/verbs.ts";
import type { CardData } from "../card/card-data.ts";
import type { OwnCard } from "../card/own-card.ts";
import { chunk } from "../inputs/chunk.ts";
import { beginPlay } from "./begin-play.ts";
import type { Choosable, SetValue, SetValues } from "./choosable.ts";
import { useCompany } from "./use-company.ts";
import { Fairness, HowMany, HowTogether, Names, Tick, WhoStarts } from "./who-choices.tsx";

const FollowCall = chunk(async () => ({ default: (await import("./call.tsx")).FollowCall }));
const OverACall = chunk(async () => ({ default: (await import("./over-a-call.tsx")).OverACall }));
const FamilySet = chunk(async () => ({ default: (await import("./family-set.tsx")).FamilySet }));

/** Who plays, in which way, and the players' names for the day. */
export function Who({
  data,
  pattern,
  choices,
  own,
  again,
  trying,
}: {
  data: CardData;
  pattern: AnyPlayPattern;
  /** What the family may set before the first attempt. */
  choices: readonly Choosable[];
  own: OwnCard;
  again: () => Promise<void>;
  /** Set if a teacher is trying the game out. `speed`: how many times as fast the clock runs. */
  trying?: { speed: number };
}) {
  const company = useCompany(data, pattern, trying !== undefined);
  const [call, setCall] = useState(false);
  const [callYes, setCallYes] = useState(false);
  const calls = company.callable && call;
  const [following, setFollowing] = useState(false);
  const [adds, setAdds] = useState(false);
  const [chosen, choose] = useState<SetValues>({});
  const attempt = attemptWords(data.card.activity.aim.action);
  const waits = company.empty || company.how === null || (calls && !callYes);

  async function begin(practice = false) {
    await beginPlay(data, pattern, own, {
      setup: company.setup(),
      names: company.names.map((_, i) => company.nameOf(i)),
      settings: choices.flatMap(({ field, usual }) => {
        const value = chosen[field];
        return value === undefined || value === usual ? [] : [{ field, value }];
      }),
      adds,
      call: calls,
      practice,
      ...(trying && { speed: trying.speed }),
    });
    await again();
  }

  if (following)
    return (
      <Suspense fallback={<p role="status">{say("play.loading")}</p>}>
        <FollowCall
          unit={company.unit}
          attempt={attempt}
          shared={company.how === "relay"}
          close={() => setFollowing(false)}
        />
      </Suspense>
    );
  return (
    <form
      className="mx-auto grid w-full max-w-lg grow content-start gap-5 p-4 text-lg"
      onSubmit={(event) => {
        event.preventDefault();
        void begin();
      }}
    >
      <h1 className="text-3xl">{say("who.title")}</h1>
      {data.used >= data.tries && (
        <p className="rounded-md bg-mustard p-3 font-semibold text-night">{say("card.usedUp")}</p>
      )}
      <HowMany company={company} />
      {company.count === 1 && company.modes.includes("against") && company.most > 1 && (
        <button type="button" className="btn min-h-12 border-chalk text-chalk" onClick={company.bothHands}>
          {say("who.bothHands")}
        </button>
      )}
      <HowTogether data={data} company={company} />
      {company.callable && (
        <Call call={call} setCall={setCall} yes={callYes} setYes={setCallYes} follow={() => setFollowing(true)} />
      )}
      {company.canSide && (
        <Tick text={say("who.twoSides")} is={company.two} turn={() => company.setTwo(!company.two)} />
      )}
      {company.count > 1 && (
        <>
          <Names company={company} />
          <Fairness data={data} company={company} />
        </>
      )}
      {company.order.length > 1 && !company.empty && <WhoStarts company={company} />}
      {company.unit !== "tenths" && <Tick text={say("who.adds")} is={adds} turn={() => setAdds(!adds)} />}
      {choices.length > 0 && (
        <Choices attempt={attempt} choices={choices} chosen={chosen} data={data} choose={choose} />
      )}
      {company.how === null && <p role="alert">{say("who.nobody")}</p>}
      {company.empty && <p role="alert">{say("who.emptySide")}</p>}
      <button type="submit" className="btn btn-main min-h-16 text-2xl" disabled={waits}>
        {say("who.go")}
      </button>
      {!trying && <Practice waits={waits} begin={begin} />}
    </form>
  );
}

/** Offers play over a call, loaded when needed. */
const Call = (props: ComponentProps<typeof OverACall>) => (
  <Suspense>
    <OverACall {...props} />
  </Suspense>
);

/** Choices that the family may make before the first attempt. */
const Choices = ({
  attempt,
  choices,
  chosen,
  data,
  choose,
}: {
  attempt: Record<string, string>;
  choices: readonly Choosable[];
  chosen: Readonly<Record<string, SetValue>>;
  data: CardData;
  choose: (next: Readonly<Record<string, SetValue>>) => void;
}) => (
  <fieldset>
    <legend className="mb-2 font-semibold">{say("set.title")}</legend>
    <Suspense>
      <FamilySet
        attempt={attempt}
        list={choices}
        now={chosen}
        step={data.card.step}
        set={(field, value) => choose({ ...chosen, [field]: value })}
      />
    </Suspense>
  </fieldset>
);

/** Starts a practice go, which does not count. */
const Practice = ({ waits, begin }: { waits: boolean; begin: (practice?: boolean) => Promise<void> }) => (
  <button
    type="button"
    className="btn min-h-12 border-chalk text-chalk"
    disabled={waits}
    onClick={() => void begin(true)}
  >
    {say("who.practice")}
  </button>
);
