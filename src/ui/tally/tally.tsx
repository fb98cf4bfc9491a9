import type { Balance, ObligationState } from '@/core/counting/types';
import { tallyText } from '../words/status';

const TALL = { w: 10, h: 22 };
const SHORT = { w: 7, h: 13 };
const GAP = 3;
const HEIGHT = 27;
const BASE = 23;

const stroke = (color: string, extra: object = {}) => ({
  fill: 'none',
  stroke: `var(--${color})`,
  strokeWidth: 1.5,
  ...extra,
});

/** One stroke of the tally, standing on the base line. Its shape tells the state; the colour only repeats it. */
function Stroke({ x, w, h, state }: { x: number; w: number; h: number; state: ObligationState }) {
  const y = BASE - h;
  const outline = { x: x + 0.75, y: y + 0.75, width: w - 1.5, height: h - 1.5, rx: 1.6 };
  switch (state) {
    case 'counted':
      return <rect x={x} y={y} width={w} height={h} rx={2} fill="var(--pine)" />;
    case 'late':
      return (
        <g>
          <rect x={x} y={y} width={w} height={h} rx={2} fill="var(--pine)" />
          <path d={`M${x + w / 2} ${BASE}v3.200h${w / 2 + 1.5}`} {...stroke('pine', { strokeWidth: 1.8 })} />
        </g>
      );
    case 'draft':
      return (
        <g>
          <svg aria-hidden x={x + 0.75} y={y + 0.75} width={w - 1.5} height={h - 1.5}>
            {Array.from({ length: Math.ceil((w + h) / 4) }, (_, i) => (
              <path
                key={i}
                d={`M0 ${(i + 1) * 4}L${w} ${(i + 1) * 4 - w}`}
                {...stroke('ochre', { strokeWidth: 1.8 })}
              />
            ))}
          </svg>
          <rect {...outline} {...stroke('ochre')} />
        </g>
      );
    case 'short': {
      // A bite out of the right side, in the upper half: shared, but something is missing from it.
      const bite = y + h * 0.28;
      return (
        <path
          d={`M${x} ${y + 1}h${w}V${bite}l-${w * 0.55} ${w * 0.3}l${w * 0.55} ${w * 0.3}V${BASE}h-${w}z`}
          fill="var(--ochre)"
        />
      );
    }
    case 'missed':
      return (
        <g>
          <rect {...outline} {...stroke('brick')} />
          <path d={`M${x + 1} ${BASE - 1}L${x + w - 1} ${y + 1}`} {...stroke('brick')} />
        </g>
      );
    case 'excused':
      return <rect {...outline} {...stroke('ink-3', { strokeDasharray: '1.500 2' })} />;
    case 'owed':
      return <rect {...outline} {...stroke('ink-3')} />;
  }
}

/** The sign of a discussion's obligations: a tall stroke for the response, a short one for each reply. */
export function Tally({ ledger, className }: { ledger: Balance; className?: string }) {
  const sizes = ledger.obligations.map((o) => (o.kind === 'response' ? TALL : SHORT));
  const xs = sizes.map((_, i) => sizes.slice(0, i).reduce((x, s) => x + s.w + GAP, 0));
  const width = sizes.reduce((x, s) => x + s.w + GAP, 0);
  return (
    <svg
      role="img"
      aria-label={tallyText(ledger)}
      width={width}
      height={HEIGHT}
      viewBox={`0 0 ${width} ${HEIGHT}`}
      className={`shrink-0 ${className ?? ''}`}
    >
      <title>{tallyText(ledger)}</title>
      {ledger.obligations.map((o, i) => (
        <Stroke key={i} x={xs[i] ?? 0} w={sizes[i]?.w ?? 0} h={sizes[i]?.h ?? 0} state={o.state} />
      ))}
    </svg>
  );
}

/** A single stroke, for a line about one obligation. */
export function TallyStroke({ kind, state }: { kind: 'response' | 'reply'; state: ObligationState }) {
  const size = kind === 'response' ? TALL : SHORT;
  return (
    <svg aria-hidden width={14} height={HEIGHT} viewBox={`0 0 14 ${HEIGHT}`} className="shrink-0">
      <Stroke x={0} w={size.w} h={size.h} state={state} />
    </svg>
  );
}
