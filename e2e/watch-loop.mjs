import { monitorEventLoopDelay } from "node:perf_hooks";

// Loaded before the server: at each signal it writes how long the loop was held at most since the last one, milliseconds.
const held = monitorEventLoopDelay({ resolution: 1 });
held.enable();
process.on("SIGUSR2", () => {
  process.stdout.write(`held ${(held.max / 1e6).toFixed(1)}\n`);
  held.reset();
});
