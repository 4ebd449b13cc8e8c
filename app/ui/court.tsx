/** A yard from above in chalk with a tape along it. Decoration only. */
export function Court() {
  return (
    <div
      className="on-court relative hidden content-end overflow-hidden bg-court p-12 text-chalk lg:grid"
      aria-hidden="true"
    >
      <svg
        viewBox="0 0 600 560"
        className="absolute inset-0 h-full w-full"
        preserveAspectRatio="xMidYMid slice"
        aria-hidden="true"
      >
        <rect
          x="50"
          y="60"
          width="500"
          height="300"
          fill="none"
          stroke="var(--color-chalk)"
          strokeOpacity="0.35"
          strokeDasharray="3 8"
          strokeWidth="2"
        />
        <path
          d="M110 100v220"
          stroke="var(--color-mustard)"
          strokeWidth="6"
          strokeLinecap="round"
          strokeDasharray="1 5"
        />
        <ellipse cx="86" cy="210" rx="8" ry="17" fill="none" stroke="var(--color-chalk)" strokeWidth="3" />
        <circle cx="86" cy="210" r="7" fill="var(--color-chalk)" />
        <path d="M110 210L430 150" stroke="var(--color-chalk)" strokeWidth="2.5" strokeDasharray="9 8" />
        <g fill="none" stroke="var(--color-mint)" strokeWidth="3">
          <circle cx="220" cy="262" r="20" />
          <circle cx="220" cy="262" r="13" />
          <rect x="300" y="110" width="36" height="28" />
          <circle cx="500" cy="250" r="13" />
          <circle cx="500" cy="250" r="4" />
        </g>
        <rect
          x="420"
          y="133"
          width="20"
          height="34"
          fill="var(--color-court)"
          stroke="var(--color-mustard)"
          strokeWidth="3.5"
        />
        <circle
          cx="430"
          cy="150"
          r="34"
          fill="none"
          stroke="var(--color-mustard)"
          strokeDasharray="5 5"
          strokeWidth="2"
        />
        <rect x="110" y="400" width="440" height="34" fill="var(--color-straw)" />
        {Array.from({ length: 45 }, (_, i) => (
          <path
            key={`t${i * 10}`}
            d={`M${110 + i * 10} 400v${i % 10 === 0 ? 22 : i % 5 === 0 ? 14 : 8}`}
            stroke="var(--color-night)"
            strokeWidth="2"
          />
        ))}
      </svg>
      <p className="relative font-head text-5xl font-bold">Daring Yard</p>
      <p className="relative mt-3 max-w-md text-xl">
        Games that really work at home, at the right challenge for every child.
      </p>
    </div>
  );
}
