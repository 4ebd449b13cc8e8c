import { paths } from "../app/drawings/paths.ts";
import { layoutOf } from "../core/forecast/for-activity.ts";
import { fromPattern } from "../core/formats/activity.ts";
import { own } from "../core/own.ts";
import { patternNames } from "../core/patterns/registry.ts";
import { planSvg } from "../core/yard/svg.ts";
import { targetName } from "../words/say.ts";

/** The plan and the document of each pattern's example, by file name. */
export const pictures = (): { file: string; text: string }[] =>
  patternNames.flatMap((name) => {
    const activity = fromPattern(name);
    const svg = planSvg(layoutOf(activity), activity.space, {
      title: activity.title,
      drawing: (item) => own(paths, item) ?? paths.line!,
      name: (target) => targetName(target),
    });
    return [
      { file: `${name}.svg`, text: svg },
      { file: `${name}.json`, text: `${JSON.stringify(activity, null, 2)}\n` },
    ];
  });
