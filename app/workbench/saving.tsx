import { Dialog } from "radix-ui";
import { useState } from "react";
import { Form } from "react-router";
import type { Activity } from "#core/formats/activity.ts";
import { Button } from "../ui/button.tsx";
import { TextField } from "../ui/field.tsx";
import { problemText } from "../ui/problem-text.ts";
import { useSchool } from "../ui/school.ts";
import { clockTime } from "../when.ts";
import type { Draft } from "./draft.ts";
import { answerOf } from "./stations.ts";

export function SaveNote({ draft }: { draft: Draft }) {
  const school = useSchool();
  const { state } = draft;
  const text = {
    saved: () => `Saved ${clockTime((state as { when: string }).when, school)}`,
    waiting: () => "saving …",
    mend: () => "Not saved: fix the problem first",
    signedOut: () => "Not saved: signed out",
    offline: () => "Not saved: offline",
    clash: () => "Not saved: changed elsewhere",
  }[state.at]();
  return (
    <span
      role="status"
      data-save={state.at}
      className={`text-sm whitespace-nowrap max-[600px]:w-full max-[600px]:text-right ${state.at === "saved" || state.at === "waiting" ? "text-quiet" : "problem"}`}
      title={state.at === "mend" ? state.problems.map((problem) => problemText(problem.message)).join("\n") : undefined}
    >
      {text}
      {state.at === "offline" && (
        <button type="button" className="ml-2 underline" onClick={draft.retry}>
          Try again
        </button>
      )}
    </span>
  );
}

/** The same activity was changed in two tabs or on two devices. Nothing is overwritten until a person chooses. */
export function Clash({ draft }: { draft: Draft }) {
  const school = useSchool();
  if (draft.state.at !== "clash") return null;
  const { theirs } = draft.state;
  return (
    <Dialog.Root open>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-50 grid w-[min(38rem,94vw)] -translate-x-1/2 -translate-y-1/2 gap-4 rounded-md bg-raised p-6">
          <Dialog.Title className="text-2xl">This activity was changed somewhere else</Dialog.Title>
          <Dialog.Description>
            It was changed in another tab or on another device at {clockTime(theirs.updatedAt, school)}. Nothing is
            lost. Choose which version to keep.
          </Dialog.Description>
          <div className="grid grid-cols-2 gap-4 text-sm">
            {[
              ["Here", draft.settled],
              ["There", theirs.document],
            ].map(([name, doc]) => (
              <div key={name as string} className="rounded-sm border-2 border-hair p-3">
                <p className="font-bold">{name as string}</p>
                <p className="font-head text-lg">{(doc as Activity).title}</p>
                <p className="text-quiet">{answerOf("yard", doc as Activity)}</p>
                <p className="text-quiet">{answerOf("score", doc as Activity)}</p>
              </div>
            ))}
          </div>
          <div className="flex flex-wrap gap-2">
            <Button look="main" onClick={() => draft.settle("mine")}>
              Keep this version
            </Button>
            <Button onClick={() => draft.settle("theirs")}>Use the other version</Button>
            <Form method="post">
              <input type="hidden" name="document" value={JSON.stringify(draft.settled)} />
              <Button type="submit" name="intent" value="mine" look="quiet">
                Keep both, this one as a copy
              </Button>
            </Form>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** The session ended while something was unsaved. The teacher signs in here and the work continues. */
export function SignInAgain({ draft }: { draft: Draft }) {
  const [message, setMessage] = useState("");
  if (draft.state.at !== "signedOut") return null;
  return (
    <Dialog.Root open>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/45" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-50 grid w-[min(24rem,94vw)] -translate-x-1/2 -translate-y-1/2 gap-3 rounded-md bg-raised p-6">
          <Dialog.Title className="text-2xl">You were signed out</Dialog.Title>
          <Dialog.Description>Your work is safe on this page. Sign in to save it.</Dialog.Description>
          <form
            className="grid gap-3"
            onSubmit={async (event) => {
              event.preventDefault();
              const body = new FormData(event.currentTarget);
              const response = await fetch("/sign-in-here", { method: "POST", body });
              const answer = (await response.json()) as { ok: boolean; problems: { message: string }[] };
              if (answer.ok) draft.retry();
              else setMessage(answer.problems.map((problem) => problemText(problem.message)).join(" "));
            }}
          >
            {message && (
              <p role="alert" className="problem">
                {message}
              </p>
            )}
            <TextField label="E-mail" name="email" type="email" autoComplete="username" required />
            <TextField label="Password" name="password" type="password" autoComplete="current-password" required />
            <Button type="submit" look="main">
              Sign in and save
            </Button>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
