import type { Card } from "#core/compile/card.ts";
import { say } from "../words/say.ts";

const WIDE = 350;
const TALL = 240;
const PAD = 14;

/** Where the layout lies in this home's space: its outline, what stands in it, the start line and the way to send. */
export function RoomMap({ card }: { card: Card }) {
  const place = card.home?.place?.placement;
  const space = card.making?.homes.find((h) => h.id === card.home?.id)?.space;
  if (!place || !space) return null;
  const corners = space.outline ?? [
    { x: 0, y: 0 },
    { x: space.length, y: 0 },
    { x: space.length, y: space.width },
    { x: 0, y: space.width },
  ];
  const [xs, ys] = [corners.map((c) => c.x), corners.map((c) => c.y)];
  const [lx, ly] = [Math.min(...xs), Math.min(...ys)];
  const [w, h] = [Math.max(...xs) - lx, Math.max(...ys) - ly];
  const k = Math.min((WIDE - 2 * PAD) / w, (TALL - 2 * PAD) / h);
  const height = h * k + 2 * PAD;
  const turn = (place.angle * 180) / Math.PI;
  return (
    <figure className="mt-4">
      <figcaption className="mb-1 font-semibold">{say("setup.inSpace")}</figcaption>
      <svg
        viewBox={`0 0 ${WIDE} ${height}`}
        className="block w-full rounded-md bg-court"
        role="img"
        aria-label={say("setup.inSpace")}
      >
        <g transform={`translate(${(WIDE - w * k) / 2 - lx * k} ${PAD - ly * k}) scale(${k})`}>
          <path
            d={`M${corners.map((c) => `${c.x} ${c.y}`).join("L")}Z`}
            fill="none"
            stroke="#F6F4EA"
            strokeWidth={2.5 / k}
            strokeDasharray={space.indoors ? undefined : `${7 / k} ${5 / k}`}
          />
          {space.obstacles?.map((o) => (
            <rect
              key={`${o.kind} ${o.x} ${o.y}`}
              x={o.x}
              y={o.y}
              width={o.width}
              height={o.depth}
              fill="#F6F4EA"
              fillOpacity="0.3"
              stroke="#F6F4EA"
              strokeWidth={1.5 / k}
            />
          ))}
          <g transform={`translate(${place.x} ${place.y}) rotate(${turn}) scale(1 ${place.mirrored ? -1 : 1})`}>
            {card.parts.map((p) => {
              if (p.kind === "line" && p.role === "start")
                return (
                  <path
                    key={p.id}
                    d={`M${p.along} ${-Math.min(p.width, 0.6) / 2}V${Math.min(p.width, 0.6) / 2}`}
                    stroke="#F2B632"
                    strokeWidth={4 / k}
                    strokeLinecap="round"
                  />
                );
              if (p.kind === "zone")
                return (
                  <rect
                    key={p.id}
                    x={p.near}
                    y={-p.width / 2}
                    width={p.far - p.near}
                    height={p.width}
                    fill="#6FDCCB"
                    fillOpacity="0.15"
                    stroke="#6FDCCB"
                    strokeWidth={1.5 / k}
                  />
                );
              if (p.kind === "target")
                return (
                  <g key={p.id}>
                    <path
                      d={`M0 0L${p.along} ${p.across}`}
                      stroke="#F6F4EA"
                      strokeOpacity="0.35"
                      strokeWidth={1.5 / k}
                    />
                    <circle
                      cx={p.along}
                      cy={p.across}
                      r={Math.max(5 / k, p.width / 2)}
                      fill="none"
                      stroke="#6FDCCB"
                      strokeWidth={3 / k}
                    />
                  </g>
                );
              if (p.kind === "person")
                return <circle key={p.id} cx={p.along - 0.25} cy={p.across} r={7 / k} fill="#F6F4EA" />;
              return null;
            })}
          </g>
        </g>
      </svg>
    </figure>
  );
}
