import { testSchool } from "./lib/test-school.mjs";

/** Builds where the sources changed, and makes the demo school that browser tests begin with. */
await testSchool();
