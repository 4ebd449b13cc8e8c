import { type FormEvent, useCallback, useEffect, useRef, useState } from "react";
import type { Problem } from "#core/formats/activity.ts";
import { SURVEY_PARTS } from "#core/records/home-fields.ts";
import { enHome } from "#words/en-home.ts";
import { addWords, say } from "#words/say.ts";
import { forget, remember, rememberedJson } from "../kept.ts";
import { problemText } from "../ui/problem-text.ts";
import { Items } from "./survey-items.tsx";
import type { SurveyProps } from "./survey-part.ts";
import { People } from "./survey-people.tsx";
import { Space } from "./survey-space.tsx";

addWords(enHome);

/** The text of a problem. If it concerns one corner or one line, the text says which. */
function toldOf(problem: Problem): string {
  const [, list, name] = /(outline|obstacles|floors)\.(\d+)/.exec(problem.field) ?? [];
  if (!list) return problemText(problem.message);
  return say(list === "outline" ? "survey.cornerAt" : "survey.standsAt", {
    number: Number(name) + 1,
    message: problem.message,
  });
}

/** Answers are saved this long after the last tap, milliseconds. */
const PAUSE = 700;
/** If the server is away, the answers are sent again after this time, milliseconds. */
const AGAIN = 4000;

/**
 * Stores what is typed on this device at once, and sends it to the school shortly afterwards. Answers that could not
 * be sent are sent on the next visit.
 */
function useKeptAnswers({
  part,
  to,
  keepAs,
  next,
  saving: { busy, answer, save: send, open },
}: Pick<SurveyProps, "part" | "to" | "keepAs" | "saving"> & { next: Parameters<SurveyProps["to"]>[0] }) {
  const form = useRef<HTMLFormElement>(null);
  const [ready, setReady] = useState(false);
  const [kept, setKept] = useState<Record<string, string> | null>(null);
  const [failed, setFailed] = useState(false);
  const key = `yard-survey-${keepAs}-${part}`;
  useEffect(() => {
    setReady(true);
    const left = rememberedJson<Record<string, string>>(key);
    if (left) setKept(left);
  }, [key]);

  /** True after the button was pressed: the next part opens once this one is saved. */
  const goOn = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const save = useCallback(() => {
    if (!form.current) return;
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
    const fields = Object.fromEntries(new FormData(form.current)) as Record<string, string>;
    remember(key, JSON.stringify(fields));
    setFailed(!navigator.onLine);
    if (navigator.onLine) send(fields);
  }, [key, send]);
  const later = useCallback(() => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = setTimeout(save, PAUSE);
  }, [save]);
  useEffect(() => {
    // Nobody has to wait for the pause before leaving the page.
    const leave = () => {
      if (timer.current) save();
    };
    addEventListener("online", save);
    addEventListener("pagehide", leave);
    return () => {
      removeEventListener("online", save);
      removeEventListener("pagehide", leave);
      leave();
    };
  }, [save]);
  useEffect(() => {
    if (busy || !answer) return;
    if (answer.ok) {
      forget(key);
      if (goOn.current) open(to(next));
    }
    goOn.current = false;
    if (answer.unsent) timer.current = setTimeout(save, AGAIN);
  }, [save, busy, answer, key, open, to, next]);
  // Answers left unsent on this device are sent as soon as the form shows them.
  useEffect(() => {
    if (kept) later();
  }, [kept, later]);

  /** Sends what was typed at once, then opens the next part. */
  function submitNow(event: FormEvent<HTMLFormElement>) {
    if (!ready) return;
    event.preventDefault();
    // Without a network the part stays open, even if it is saved later.
    goOn.current = navigator.onLine;
    save();
  }
  return { form, ready, kept, failed, later, submitNow };
}

/** A form that saves itself after each tap. Without a script it is a plain form with a button. */
export function SurveyForm(props: SurveyProps) {
  const { part, to, keepAs, problems, saving } = props;
  const { busy, answer } = saving;
  const at = SURVEY_PARTS.indexOf(part);
  const next = SURVEY_PARTS[at + 1] ?? "done";
  const { form, ready, kept, failed, later, submitNow } = useKeptAnswers({ part, to, keepAs, next, saving });
  const all = [...problems, ...(answer && !answer.ok ? answer.problems : [])];
  const typed = kept ?? props.typed;
  return (
    <>
      <SurveyParts to={to} part={part} at={at} />
      {all.length > 0 && (
        <ul role="alert" className="note problem mb-3">
          {[...new Set(all.map(toldOf))].map((mode) => (
            <li key={mode}>{mode}</li>
          ))}
        </ul>
      )}
      <form ref={form} method="post" key={`${part} ${kept ? "kept" : ""}`} onChange={later} onSubmit={submitNow}>
        <input type="hidden" name="part" value={part} />
        {part === "things" && <Items {...props} typed={typed} ready={ready} changed={later} />}
        {part === "space" && <Space {...props} typed={typed} ready={ready} />}
        {part === "people" && <People {...props} typed={typed} />}
        <p role="status" data-saved={!busy && answer?.ok ? "yes" : "no"} className="mt-4 min-h-6 text-sm text-quiet">
          {failed || answer?.unsent
            ? say("survey.unsaved")
            : busy
              ? say("survey.saving")
              : answer?.ok
                ? say("survey.saved")
                : ""}
        </p>
        <button type="submit" className="btn btn-main mt-1 min-h-14 w-full text-xl">
          {say(next === "done" ? "survey.finish" : "survey.save")}
        </button>
        <p className="mt-3 text-center">
          <a href={to(next)} className="underline">
            {say("survey.skip")}
          </a>
        </p>
      </form>
    </>
  );
}

/** Lists the parts of the survey and marks the current one. */
const SurveyParts = ({ to, part, at }: { to: SurveyProps["to"]; part: SurveyProps["part"]; at: number }) => (
  <nav aria-label={say("survey.title")} className="mb-4">
    <ol className="grid grid-cols-4 gap-1 text-center text-sm">
      {[...SURVEY_PARTS, "done" as const].map((path, i) => (
        <li key={path}>
          <a
            href={to(path)}
            aria-current={path === part ? "step" : undefined}
            className={`block border-t-4 pt-1.5 pb-1 no-underline ${path === part ? "border-mustard font-bold" : i < at ? "border-teal" : "border-hair"}`}
          >
            {say(`survey.part.${path}`)}
          </a>
        </li>
      ))}
    </ol>
  </nav>
);
