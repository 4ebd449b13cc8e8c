import { Button } from "../ui/button.tsx";
import { useForecastFailures } from "./use-forecast.ts";

/** Says that a forecast could not be worked out and lets the teacher try again. Shows nothing if all is well. */
export function ForecastFailures() {
  const failures = useForecastFailures();
  if (failures.length === 0) return null;
  return (
    <p role="alert" className="note problem mx-6 flex flex-wrap items-center gap-3">
      <span>The forecast could not be worked out. Your activity is safe; the figures may be out of date.</span>
      <Button
        size="small"
        onClick={() => {
          for (const { retry } of failures) retry();
        }}
      >
        Try again
      </Button>
    </p>
  );
}
