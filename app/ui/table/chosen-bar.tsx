import { memo, type ReactNode } from "react";
import { Form } from "react-router";
import { Button } from "../button.tsx";
import { type ChosenStore, useChosen } from "./chosen-store.ts";

/** Something that can be done with all chosen rows. */
export interface ChosenAction {
  label: string;
  icon?: ReactNode;
  /** Sends this `intent` to the page, with every chosen id as `chosen`. */
  intent?: string;
  /** Opens this address instead, with every chosen id as `chosen` in it. */
  get?: string;
  /** True if that address is a file. */
  file?: boolean;
  /** A choice that belongs to the action, before its button. */
  field?: ReactNode;
}

interface Props {
  id: string;
  store: ChosenStore;
  /** True once the script runs: the bar is there only while rows are chosen. */
  scripted: boolean;
  actions: readonly ChosenAction[];
  noun: readonly [string, string];
}

/** The bar at the foot of a table with what can be done with the chosen rows. */
export const ChosenBar = memo(function ChosenBar({ id, store, scripted, actions, noun }: Props) {
  const chosen = useChosen(store);
  const { clear } = store;
  const count = chosen.size;
  if (scripted && count === 0) return null;
  return (
    <section
      aria-label="Chosen rows"
      className="sticky bottom-0 z-20 border-t-2 border-ink bg-raised px-4 py-2 print:hidden"
      data-steady
    >
      <Form
        id={id}
        method="post"
        preventScrollReset
        className="flex flex-wrap items-center gap-x-4 gap-y-2"
        onSubmit={(event) => {
          const button = (event.nativeEvent as SubmitEvent).submitter;
          if (!(button instanceof HTMLButtonElement)) return;
          if (button.dataset.file === undefined) {
            if (button.dataset.get === undefined) clear();
            return;
          }
          // A file is fetched by the browser and not by the router.
          event.preventDefault();
          const ids = new URLSearchParams([...chosen].map((each) => ["chosen", each]));
          location.assign(`${button.dataset.file}?${ids}`);
        }}
      >
        <strong role="status">
          {scripted ? `${count} ${noun[count === 1 ? 0 : 1]} chosen` : `For the ${noun[1]} ticked:`}
        </strong>
        {scripted && [...chosen].map((each) => <input key={each} type="hidden" name="chosen" value={each} />)}
        {actions.map((action) => (
          <span key={action.label} className="flex items-center gap-1.5">
            {action.field}
            <Button
              type="submit"
              size="small"
              {...(action.get
                ? {
                    formAction: action.get,
                    formMethod: "get",
                    [action.file ? "data-file" : "data-get"]: action.get,
                  }
                : { name: "intent", value: action.intent })}
            >
              {action.icon} {action.label}
            </Button>
          </span>
        ))}
        {scripted && (
          <Button look="quiet" size="small" onClick={clear} className="ml-auto">
            Clear
          </Button>
        )}
      </Form>
    </section>
  );
});
