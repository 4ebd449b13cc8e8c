import { testSchool } from "./lib/test-school.mjs";

/** Builds if the sources have changed, and makes the demo school from which browser tests start. */
await testSchool();
