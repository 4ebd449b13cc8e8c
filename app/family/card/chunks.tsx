import { Component, type ReactNode } from "react";
import { say } from "#words/say.ts";
import { useOnline } from "../../ui/use-online.ts";

/** Errors of code that could not be loaded, for example because there is no network. */
const missed = new WeakSet<Error>();
if (!import.meta.env.SSR) window.addEventListener("vite:preloadError", (event) => missed.add(event.payload));

/**
 * Wraps code that is loaded separately. If it cannot be loaded, this says so and offers to try again. Any other error
 * is thrown on.
 */
export class Chunks extends Component<{ children: ReactNode }, { error: Error | null }> {
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

/**
 * A browser may refuse to load the same file twice on one page, and without a network the page itself would not load
 * again.
 */
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
