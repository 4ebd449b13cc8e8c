import type { Problem } from "#core/formats/activity.ts";

/** Something given to us cannot be accepted: each field with what is allowed. Nothing was changed. */
export class NotAllowed extends Error {
  constructor(readonly problems: Problem[]) {
    super(problems.map((problem) => `${problem.field}: ${problem.message}`).join("; "));
  }
  static of(field: string, message: string): NotAllowed {
    return new NotAllowed([{ field, message }]);
  }
}

/** There is no such record for this teacher or family. */
export class NotFound extends Error {}
