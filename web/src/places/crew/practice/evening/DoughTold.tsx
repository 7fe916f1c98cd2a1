import {
  QUARTER_MIN,
  type DoughTold as Told,
  type Evening,
  type OpensBetween,
  type TraysTold,
} from '@calm/core';
import type { Product } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { AxisX, AxisY } from '../../../../parts/charts/axes';
import { Plot } from '../../../../parts/charts/Plot';
import { useFormats } from '../../../../parts/format/useFormats';
import styles from './Evening.module.css';
import { timeOfEvening } from './eveningClock';

/** Guests above, trays below, px. */
const GUESTS_HEIGHT = 104;
const TOP = 8;
const BESIDE = 136;
const ROW = 22;
const BAR = 12;
const BELOW = 26;
const HOUR_MIN = 60;
/** Room that an hour's words want, px. */
const HOUR_PX = 64;

/** A dough's evening afterwards: guests as expected and as they came, and when its trays opened. */
export function DoughTold({
  product,
  told,
  really,
}: {
  readonly product: Product;
  readonly told: Told;
  readonly really: Evening;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const rows = [
    ...told.trays.map((trays) => ({ trays, isBest: false })),
    ...told.best.map((trays) => ({ trays, isBest: true })),
  ].filter(({ trays }) => trays.outMin !== null);
  const sum = (numbers: readonly number[]) => Math.round(numbers.reduce((a, b) => a + b, 0));
  const label = t('practice.evening.drawn', {
    product: product.name,
    came: f.count(sum(told.came)),
    expected: f.count(sum(told.expected)),
  });
  const height = GUESTS_HEIGHT + rows.length * ROW + BELOW;
  const endMin = really.doorsMin + told.came.length * QUARTER_MIN;
  const top = Math.max(1, ...told.came, ...told.expected);
  const y = (guests: number) => GUESTS_HEIGHT - (guests / top) * (GUESTS_HEIGHT - TOP);
  return (
    <section className={styles['dough']}>
      <h2>{product.name}</h2>
      <Plot height={height} label={label}>
        {(width) => {
          const right = width - 8;
          const x = (minute: number) => BESIDE + (minute / endMin) * (right - BESIDE);
          const quarter = (i: number) => x(really.doorsMin + i * QUARTER_MIN);
          const step = quarter(1) - quarter(0);
          const outline = told.expected.map((each, i) => `V${y(each)}H${quarter(i + 1)}`).join('');
          const everyHours = Math.ceil(HOUR_PX / (x(HOUR_MIN) - x(0)));
          const hours = Array.from({ length: Math.floor(endMin / HOUR_MIN) + 1 }, (_, i) => i);
          return (
            <>
              <AxisY
                x={BESIDE}
                ticks={[0, Math.floor(top)].map((at) => ({ at: y(at), label: f.count(at) }))}
              />
              {told.came.map((came, i) => {
                const { short = 0, told: sentAway = 0 } = told.quarters[i] ?? {};
                const served = Math.max(0, came - short - sentAway);
                return (
                  <g key={String(i)} transform={`translate(${quarter(i)} 0)`}>
                    <rect
                      y={y(served)}
                      width={Math.max(1, step - 2)}
                      height={y(0) - y(served)}
                      fill="var(--primary)"
                    />
                    <rect
                      y={y(came)}
                      width={Math.max(1, step - 2)}
                      height={y(served) - y(came)}
                      fill="var(--stop)"
                    />
                  </g>
                );
              })}
              <path
                d={`M${quarter(0)} ${y(0)}${outline}V${y(0)}`}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={1.5}
                strokeDasharray="4 3"
              />
              {rows.map(({ trays, isBest }, i) => (
                <TrayRow
                  key={String(i)}
                  trays={trays}
                  isBest={isBest}
                  y={GUESTS_HEIGHT + 8 + i * ROW}
                  x={x}
                  words={t(rowWords(isBest, trays.nights), { count: trays.trays })}
                />
              ))}
              <AxisX
                y={height - BELOW}
                from={BESIDE}
                to={right}
                ticks={hours
                  .filter(
                    (hour) => hour % everyHours === 0 && x(hour * HOUR_MIN) < right - HOUR_PX / 2,
                  )
                  .map((hour) => ({
                    at: x(hour * HOUR_MIN),
                    label: timeOfEvening(f, really, hour * HOUR_MIN),
                  }))}
              />
            </>
          );
        }}
      </Plot>
    </section>
  );
}

/** Whose trays a row shows. */
const rowWords = (isBest: boolean, nights: number): string => {
  if (isBest) return nights > 0 ? 'practice.evening.bestOlder' : 'practice.evening.bestTrays';
  return nights > 0 ? 'practice.evening.yourOlder' : 'practice.evening.yourTrays';
};

/** When some trays opened: as they were taken to, an outline; really, filled; and when they came out. */
function TrayRow({
  trays: { outMin, believed, really },
  isBest,
  y,
  x,
  words,
}: {
  readonly trays: TraysTold;
  readonly isBest: boolean;
  readonly y: number;
  readonly x: (minute: number) => number;
  readonly words: string;
}) {
  const bar = (opens: OpensBetween) => ({
    x: x(opens.fromMin),
    y,
    width: Math.max(2, x(opens.untilMin) - x(opens.fromMin)),
    height: BAR,
  });
  return (
    <g>
      <text x={BESIDE - 8} y={y + BAR - 2} textAnchor="end" fontSize={14} fill="var(--quiet)">
        {words}
      </text>
      {outMin !== null && (
        <path
          d={`M${x(outMin)} ${y - 1}v${BAR + 2}M${x(outMin)} ${y + BAR / 2}H${x(really?.fromMin ?? outMin)}`}
          stroke="var(--oat)"
          strokeWidth={2}
          fill="none"
        />
      )}
      {really && (
        <rect {...bar(really)} fill={isBest ? 'var(--quiet)' : 'var(--oat)'} opacity={0.8} />
      )}
      {believed && !isBest && (
        <rect
          {...bar(believed)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.5}
          strokeDasharray="4 3"
        />
      )}
    </g>
  );
}

/** What the pictures' colours and lines say. */
export function Legend() {
  const { t } = useTranslation();
  return (
    <ul className={styles['legend']}>
      <li>
        <i style={{ background: 'var(--primary)' }} />
        {t('practice.evening.legend.served')}
      </li>
      <li>
        <i style={{ background: 'var(--stop)' }} />
        {t('practice.evening.legend.away')}
      </li>
      <li>
        <i style={{ border: '1.5px dashed var(--ink)' }} />
        {t('practice.evening.legend.believed')}
      </li>
      <li>
        <i style={{ background: 'var(--oat)' }} />
        {t('practice.evening.legend.opens')}
      </li>
      <li>
        <i style={{ background: 'var(--quiet)' }} />
        {t('practice.evening.legend.best')}
      </li>
    </ul>
  );
}
