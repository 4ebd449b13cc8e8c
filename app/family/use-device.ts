import { useCallback, useEffect, useRef, useState } from "react";
import { LANGUAGE, say } from "#words/say.ts";

const TICK = 250;

/** The time on a clock, milliseconds, read again every TICK while it runs. */
export function useElapsed(clock: () => number, running: boolean): number {
  const now = useRef(clock);
  now.current = clock;
  const [at, set] = useState(0);
  useEffect(() => {
    if (!running) return;
    const look = () => set(now.current());
    look();
    const timeout = setInterval(look, TICK);
    return () => clearInterval(timeout);
  }, [running]);
  return at;
}

/** Screen height that a whole game needs, rem; on a lower screen everything is drawn smaller. */
const ROOMY = 43.75;
/** Screen width, rem, below which heading and clock no longer fit side by side. */
const NARROW = 17;
/** Marks the page as tight or large while the reader's text size leaves little room. The ref goes on an element one rem wide. */
export function useTight() {
  const line = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    const page = document.documentElement;
    const look = () => {
      const rem = line.current?.getBoundingClientRect().width || 16;
      page.toggleAttribute("data-tight", innerHeight / rem < ROOMY);
      page.toggleAttribute("data-large", innerWidth / rem < NARROW);
    };
    const watch = new ResizeObserver(look);
    if (line.current) watch.observe(line.current);
    addEventListener("resize", look);
    look();
    return () => {
      watch.disconnect();
      removeEventListener("resize", look);
      page.removeAttribute("data-tight");
      page.removeAttribute("data-large");
    };
  }, []);
  return line;
}

/** Keeps the screen awake while a game is on, where the device allows it; says whether it does. */
export function useWakeLock(): boolean {
  const [awake, set] = useState(true);
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const ask = async () => {
      if (document.visibilityState !== "visible") return;
      lock = "wakeLock" in navigator ? await navigator.wakeLock.request("screen").catch(() => null) : null;
      if (left) void lock?.release();
      else set(lock !== null);
    };
    void ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      left = true;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release();
    };
  }, []);
  return awake;
}

/** Said by the device where it can speak; it asks nobody else. */
export function speak(text: string): void {
  if (!("speechSynthesis" in window)) return;
  const said = new SpeechSynthesisUtterance(text);
  said.lang = LANGUAGE;
  said.rate = 0.9;
  speechSynthesis.cancel();
  speechSynthesis.speak(said);
}

/** A clock that is heard: half-time and the last ten are said, and the last ones tick. `left` and `all` in seconds; null without a clock. */
export function useClockHeard(left: number | null, all: number | null, sound: (what: "tick") => void): string {
  const [told, tell] = useState("");
  const last = useRef<number | null>(null);
  useEffect(() => {
    if (left === null || all === null) {
      last.current = null;
      tell("");
      return;
    }
    if (left === last.current) return;
    const before = last.current;
    last.current = left;
    const passes = (at: number) => before !== null && before > at && left <= at;
    const now =
      all >= 30 && passes(Math.floor(all / 2)) ? "play.halfTime" : all > 12 && passes(10) ? "play.lastTen" : null;
    if (now) {
      tell(say(now));
      speak(say(now));
    }
    if (before !== null && left <= 10 && left > 0) sound("tick");
  }, [left, all, sound]);
  return told;
}

/** Short sounds made on the spot: a tick for a start, three rings for the bell. */
export function useSound(): (what: "tick" | "bell") => void {
  const audio = useRef<AudioContext | null>(null);
  useEffect(() => () => void audio.current?.close(), []);
  return useCallback((what) => {
    audio.current ??= typeof AudioContext === "undefined" ? null : new AudioContext();
    const ctx = audio.current;
    if (!ctx) return;
    void ctx.resume();
    const rings = what === "bell" ? 3 : 1;
    for (let i = 0; i < rings; i++) {
      const at = ctx.currentTime + i * 0.35;
      const tone = ctx.createOscillator();
      const loud = ctx.createGain();
      tone.frequency.value = what === "bell" ? 880 : 520;
      loud.gain.setValueAtTime(0.25, at);
      loud.gain.exponentialRampToValueAtTime(0.001, at + 0.3);
      tone.connect(loud).connect(ctx.destination);
      tone.start(at);
      tone.stop(at + 0.32);
    }
  }, []);
}
