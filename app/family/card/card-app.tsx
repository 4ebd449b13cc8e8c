import { ArrowLeft } from "lucide-react";
import { lazy, Suspense, useCallback, useEffect, useMemo, useState } from "react";
import { say } from "#words/say.ts";
import { drawingsOf, OwnDrawings } from "../../drawings/items.tsx";
import { remember, rememberedJson } from "../../kept.ts";
import { useOnline } from "../../ui/use-online.ts";
import { keepPages } from "../device/offline.ts";
import { type LocalPlay, playsOfCard } from "../device/store.ts";
import { keepSyncing, onSync } from "../device/sync.ts";
import { FetchScreen } from "../screens/fetch-screen.tsx";
import { HandInScreen } from "../screens/hand-in-screen.tsx";
import { LookScreen } from "../screens/look-screen.tsx";
import { ScreenLink, useQuery, visit } from "./address.tsx";
import { type CardData, STEPS, type Step, stepOf, type Ticks } from "./card-data.ts";
import { Chunks } from "./chunks.tsx";
import { MemoryNote } from "./memory-note.tsx";
import { type OwnCard, useOwnCard } from "./own-card.ts";
import { useHeading } from "./use-heading.ts";
import { useWaiting } from "./waiting.ts";

/** The game is loaded separately, when somebody is about to play. */
const loadPlay = () => import("../play/play-screen.tsx");
const PlayScreen = lazy(loadPlay);
/** The screen for setting up is loaded separately too. */
const loadSetUp = async () => (await import("../screens/set-up-screen.tsx")).SetUpScreen;
/**
 * A page opened at the set-up step has that screen at once: on the server, so that it can be read before any script
 * is there, and on the device, so that what is being read does not disappear until the script has loaded.
 */
const atOnce = import.meta.env.SSR || new URLSearchParams(location.search).get("screen") === "setup";
const SetUpScreen =
  (atOnce ? await loadSetUp().catch(() => null) : null) ?? lazy(async () => ({ default: await loadSetUp() }));

const NO_TICKS: Ticks = { have: [], look: [], grownUp: false, day: "", of: null };
export const today = () => new Date().toDateString();

function useTicks(card: string): [Ticks, (givenTicks: Ticks) => void] {
  const [ticks, set] = useState(NO_TICKS);
  const key = `yard-ticks-${card}`;
  useEffect(() => {
    const kept = rememberedJson<Ticks>(key);
    if (!kept) return;
    const ticks = { ...NO_TICKS, ...kept };
    set(ticks.day === today() ? ticks : { ...NO_TICKS, have: ticks.have });
  }, [key]);
  const change = useCallback(
    (givenTicks: Ticks) => {
      const now = { ...givenTicks, day: today() };
      remember(key, JSON.stringify(now));
      set(now);
    },
    [key],
  );
  return [ticks, change];
}

/** The goes of this card on this device. They are read again after every hand-in. */
export function usePlays(card: string): { plays: LocalPlay[] | null; again: () => Promise<void> } {
  const [plays, set] = useState<LocalPlay[] | null>(null);
  const again = useCallback(async () => {
    const now = await playsOfCard(card);
    // If the goes are the same, the list stays the same object, so that nothing is rendered again.
    set((before) => (JSON.stringify(before) === JSON.stringify(now) ? before : now));
  }, [card]);
  useEffect(() => {
    void again();
    return onSync(() => void again());
  }, [again]);
  return { plays, again };
}

export function CardApp({ data: sent }: { data: CardData }) {
  const own = useOwnCard(sent.id, sent.card);
  const data = useMemo(() => ({ ...sent, card: own.card }), [sent, own.card]);
  const drawings = useMemo(
    () => drawingsOf([...own.card.activity.kit.own, ...(own.card.making?.items.own ?? [])]),
    [own.card],
  );
  return (
    <OwnDrawings value={drawings}>
      <CardScreens data={data} own={own} />
    </OwnDrawings>
  );
}

/** Returns the page title for a screen. */
export const titleOf = (step: Step, title: string): string =>
  say("card.titled", { step: say(`card.step.${step}`), title });

function CardScreens({ data, own }: { data: CardData; own: OwnCard }) {
  const search = useQuery();
  // The first render matches the page that the server sent.
  const [mounted, setMounted] = useState(false);
  useEffect(() => setMounted(true), []);
  const asked = mounted ? { screen: search.get("screen"), at: search.get("at") } : data.asked;
  const step = stepOf(asked.screen);
  const at = STEPS.indexOf(step);
  const online = useOnline();
  const [ticks, setTicks] = useTicks(data.id);
  const { plays, again } = usePlays(data.id);
  const waiting = useWaiting(
    data.token,
    useMemo(() => [data.id], [data.id]),
  );
  // A go that the server refused is included: it is played to its end, and the reason is shown then.
  const underWay = plays?.find((play) => !play.result) ?? null;
  // A safety check holds for one go and the practice before it. The next go needs its own.
  useEffect(() => {
    if (underWay && !underWay.practice && ticks.of !== underWay.id)
      setTicks({ ...ticks, look: [], grownUp: false, of: underWay.id });
  }, [underWay, ticks, setTicks]);
  useHeading(`${step} ${asked.at ?? ""}`);
  const { title } = data.card.activity;
  useEffect(() => {
    document.title = titleOf(step, title);
  }, [step, title]);
  const { activity } = data.card;
  const go = useCallback((to: Step) => visit(`?screen=${to}`), []);
  useEffect(() => {
    performance.mark("usable");
    // The game is stored before anything else of the site, so that it can be played once the network is gone.
    void keepPages([location.pathname], () =>
      Promise.all([loadSetUp(), loadPlay(), import("../play/load-game.ts").then(({ loadGame }) => loadGame(activity))]),
    );
    return keepSyncing(data.token, [data.id]);
  }, [data.token, data.id, activity]);
  useEffect(() => {
    if (step === "fetch") requestIdleCallback?.(() => void loadSetUp().catch(() => undefined));
    if (step === "look" || step === "setup" || step === "fetch")
      requestIdleCallback?.(() => void loadPlay().catch(() => undefined));
  }, [step]);

  if (data.state !== "open" && !underWay && !(plays ?? []).some((play) => !play.receipt && !play.practice))
    return <NotOpen data={data} />;
  const ready =
    data.card.cautions.every((caution) => ticks.look.includes(caution)) && (!data.card.grownUp || ticks.grownUp);
  const playing = step === "play";
  return (
    <main className={`flex min-h-dvh flex-col ${playing ? "on-court bg-court text-chalk" : ""}`}>
      <CardHeader playing={playing} data={data} online={online} waiting={waiting} />
      <MemoryNote />
      <StepNav playing={playing} underWay={underWay} step={step} at={at} />
      <div className={playing ? "flex grow flex-col" : "mx-auto w-full max-w-lg grow p-4 pb-8"}>
        {underWay && !playing && step !== "handin" && (
          <p className="note note-good mb-4 flex flex-wrap items-center gap-3">
            <span className="grow">{say("play.resumeText")}</span>
            <button type="button" className="btn btn-main" onClick={() => go("play")}>
              {say("play.resume")}
            </button>
          </p>
        )}
        {step === "fetch" && (
          <FetchScreen data={data} own={own} ticks={ticks} setTicks={setTicks} locked={underWay !== null} />
        )}
        {step === "setup" && (
          <Chunks>
            <Suspense fallback={<p className="text-lg">{say("play.loading")}</p>}>
              <SetUpScreen data={data} ticks={ticks} setTicks={setTicks} asked={asked.at} />
            </Suspense>
          </Chunks>
        )}
        {step === "look" && <LookScreen data={data} ticks={ticks} setTicks={setTicks} />}
        {step === "handin" && <HandInScreen data={data} plays={plays} again={again} go={go} />}
        {playing && !ready && !underWay && <NotReady data={data} ticks={ticks} go={go} />}
        {playing && (ready || underWay) && plays && (
          <Chunks>
            <Suspense fallback={<p className="p-6 text-lg">{say("play.loading")}</p>}>
              <PlayScreen data={data} own={own} underWay={underWay} again={again} go={go} />
            </Suspense>
          </Chunks>
        )}
        {playing && <WithoutScript data={data} />}
        {at < 3 && (
          <ScreenLink
            to={`?screen=${STEPS[at + 1]}`}
            className="btn btn-main mt-6 min-h-16 w-full text-xl no-underline"
          >
            {say("card.next", { step: say(`card.step.${STEPS[at + 1]}`) })}
          </ScreenLink>
        )}
      </div>
    </main>
  );
}

function NotOpen({ data }: { data: CardData }) {
  const soon = data.state === "soon";
  const back = data.state === "withdrawn";
  return (
    <main className="on-court grid min-h-dvh content-start gap-4 bg-court p-6 text-lg text-chalk">
      <h1 className="text-3xl">{data.card.activity.title}</h1>
      <p className="text-2xl font-bold text-mustard">{say(back ? "card.back" : soon ? "card.soon" : "card.closed")}</p>
      {!back && <p>{say(soon ? "card.soonText" : "card.closedText", { when: soon ? data.opens : data.closes })}</p>}
      <p>
        <a className="btn border-chalk text-chalk" href={`/f/${data.token}`}>
          {say("family.allGames")}
        </a>
      </p>
    </main>
  );
}

/** Shows the title, the child's name, and how much is waiting to be sent. */
const CardHeader = ({
  playing,
  data,
  online,
  waiting,
}: {
  playing: boolean;
  data: CardData;
  online: boolean;
  waiting: ReturnType<typeof useWaiting>;
}) => (
  <header className={`flex items-center gap-3 px-4 py-2 ${playing ? "short:py-0" : "bg-court text-chalk on-court"}`}>
    <a
      href={`/f/${data.token}`}
      aria-label={say("family.allGames")}
      className="grid size-11 place-items-center rounded-md"
    >
      <ArrowLeft aria-hidden="true" />
    </a>
    <p className="min-w-0 grow leading-tight">
      <span className="block truncate font-head text-xl font-bold">{data.card.activity.title}</span>
      <span className={`block text-sm text-chalk/80 flat:hidden ${playing ? "short:hidden" : ""}`}>
        {online ? say("sheet.for", { name: data.name.split(" ")[0]! }) : say("card.offline")}
      </span>
    </p>
    {waiting.count > 0 && (
      <span className="shrink-0 rounded-sm bg-mustard px-2 text-sm font-bold text-night">
        {say("card.waits", { count: waiting.count })}
      </span>
    )}
  </header>
);

/** Links to the steps of the card and marks the current one. */
const StepNav = ({
  playing,
  underWay,
  step,
  at,
}: {
  playing: boolean;
  underWay: LocalPlay | null;
  step: Step;
  at: number;
}) => (
  <nav
    aria-label={say("card.step.play")}
    className={`px-4 pb-2 ${playing ? "" : "bg-court text-chalk on-court"} ${playing && underWay ? "sr-only" : ""}`}
  >
    <ol className="mx-auto grid max-w-lg grid-cols-5 gap-1 text-center text-sm">
      {STEPS.map((text, i) => (
        <li key={text}>
          <ScreenLink
            to={`?screen=${text}`}
            aria-current={text === step ? "step" : undefined}
            className={`block border-t-4 pt-1.5 pb-1 no-underline ${text === step ? "border-mustard font-bold" : i < at ? "border-mint" : "border-chalk/35"}`}
          >
            {say(`card.step.${text}`)}
          </ScreenLink>
        </li>
      ))}
    </ol>
  </nav>
);

/** Shown if the safety check is not complete. */
const NotReady = ({ data, ticks, go }: { data: CardData; ticks: Ticks; go: (to: Step) => void }) => (
  <div className="mx-auto grid max-w-lg gap-4 p-6 text-lg">
    <h1 className="font-sans text-lg font-normal">{say("look.tickAll")}</h1>
    {data.card.grownUp && !ticks.grownUp && <p>{say("look.needs")}</p>}
    <button type="button" className="btn border-chalk text-chalk" onClick={() => go("look")}>
      {say("card.step.look")}
    </button>
  </div>
);

/** Shown without scripts, which play needs. The paper sheet works without them. */
const WithoutScript = ({ data }: { data: CardData }) => (
  <noscript>
    <p className="p-6 text-lg">{say("noscript")}</p>
    <p className="px-6">
      <a className="btn border-chalk text-chalk" href={`/f/${data.token}/${data.id}/sheet`}>
        {say("noscript.sheet")}
      </a>
    </p>
  </noscript>
);
