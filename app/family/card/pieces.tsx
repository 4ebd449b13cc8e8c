import { Component, type ReactNode } from "react";
import { say } from "#words/say.ts";
import { useOnline } from "../../ui/use-online.ts";

/** Errors of pieces of the application that did not come, as where there is no network. */
const missed = new WeakSet<Error>();
if (!import.meta.env.SSR) window.addEventListener("vite:preloadError", (event) => missed.add(event.payload));

/** Around what comes in pieces of its own: where one does not come, that is said, with a way to ask for it again. Any other error goes on. */
export class Pieces extends Component<{ children: ReactNode }, { error: Error | null }> {
  override state = { error: null as Error | null };
  static getDerivedStateFromError(error: Error) {
    return { error };
  }
  override render() {
    const { error } = this.state;
    if (!error) return this.props.children;
    if (!missed.has(error)) throw error;
    return <NotCome />;
  }
}

/** A browser may not ask twice for a piece on the same page, and without a network the page itself would not come back. */
function NotCome() {
  const online = useOnline();
  return (
    <div className="grid content-start gap-4 p-6 text-lg">
      <p role="alert">{say("play.notCome")}</p>
      <button
        type="button"
        className="btn min-h-12 justify-self-start border-current"
        disabled={!online}
        onClick={() => location.reload()}
      >
        {say("play.tryAgain")}
      </button>
    </div>
  );
}
