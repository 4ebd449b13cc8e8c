import { say } from "#words/say.ts";
import "./call-words.ts";
import { Tick } from "./who-choices.tsx";

/** Offers play over a call: its rules, a grown-up's yes, and letting the other home keep score. */
export function OverACall({
  call,
  setCall,
  yes,
  setYes,
  follow,
}: {
  call: boolean;
  setCall: (call: boolean) => void;
  yes: boolean;
  setYes: (yes: boolean) => void;
  follow: () => void;
}) {
  return (
    <div className="grid gap-2">
      <Tick text={say("call.with")} is={call} turn={() => setCall(!call)} />
      {call && (
        <>
          <p className="text-base">{say("call.rules")}</p>
          <p className="text-base">{say("call.rules2")}</p>
          <Tick text={say("call.yes")} is={yes} turn={() => setYes(!yes)} />
          <button type="button" className="btn min-h-12 border-chalk text-chalk" disabled={!yes} onClick={follow}>
            {say("call.theyCount")}
          </button>
        </>
      )}
    </div>
  );
}
