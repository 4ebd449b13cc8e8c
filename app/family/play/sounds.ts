import { LANGUAGE } from "#words/say.ts";

/** Says a text with the device's own voice, if it has one. No service is used. */
export function speak(text: string): void {
  if (!("speechSynthesis" in globalThis)) return;
  const spoken = new SpeechSynthesisUtterance(text);
  spoken.lang = LANGUAGE;
  spoken.rate = 0.9;
  speechSynthesis.cancel();
  speechSynthesis.speak(spoken);
}

/** A tick for a start and the last seconds, or three rings when time is up. */
export type Sound = (what: "tick" | "bell") => void;
let context: AudioContext | null = null;
/** Makes a short sound. Silent if the browser has no audio. */
export const sound: Sound = (what) => {
  context ??= typeof AudioContext === "undefined" ? null : new AudioContext();
  if (!context) return;
  void context.resume();
  const rings = what === "bell" ? 3 : 1;
  for (let i = 0; i < rings; i++) {
    const at = context.currentTime + i * 0.35;
    const tone = context.createOscillator();
    const volume = context.createGain();
    tone.frequency.value = what === "bell" ? 880 : 520;
    volume.gain.setValueAtTime(0.25, at);
    volume.gain.exponentialRampToValueAtTime(0.001, at + 0.3);
    tone.connect(volume).connect(context.destination);
    tone.start(at);
    tone.stop(at + 0.32);
  }
};
