import { scaleTime } from 'd3-scale';
import { useTranslation } from 'react-i18next';
import { AxisX } from '../../../parts/charts/axes';
import { Plot } from '../../../parts/charts/Plot';
import { useFormats } from '../../../parts/format/useFormats';

/** From one moment to another, epoch ms. */
export interface Span {
  readonly startMs: number;
  readonly endMs: number;
}

const HEIGHT = 64;
const BAR = 14;
const SIDE = 28;
const MOST_TICKS = 6;
/** Room for the time at a tick. */
const TICK_PX = 88;

/** When balls open well, as it is and as it would be, over the services that want them. */
export function WindowBar({
  fromMs,
  untilMs = 0,
  services,
  before,
  after,
}: {
  readonly fromMs: number;
  /** At least so far, that bars beside each other are to one scale. */
  readonly untilMs?: number;
  readonly services: readonly Span[];
  readonly before: Span | null;
  readonly after: Span | null;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  // As it is may be days off: that is no reason to draw tonight small.
  const spans = [...services, ...(after ? [after] : [])];
  const toMs = Math.max(untilMs, fromMs + 3_600_000, ...spans.map(({ endMs }) => endMs));
  const words = (span: Span | null) =>
    span
      ? t('whatNow.fromTo', { from: f.moment(span.startMs), to: f.time(span.endMs) })
      : t('whatNow.notAtAll');
  return (
    <Plot height={HEIGHT} label={t('whatNow.bar', { after: words(after), before: words(before) })}>
      {(width) => {
        const x = scaleTime([fromMs, toMs], [SIDE, width - SIDE]);
        const bar = (span: Span) => {
          const left = x(Math.max(fromMs, span.startMs));
          const right = x(Math.min(toMs, Math.max(fromMs, span.endMs)));
          return { x: left, width: Math.max(2, right - left) };
        };
        return (
          <>
            {services.map((service) => (
              <rect
                key={service.startMs}
                {...bar(service)}
                y={0}
                height={HEIGHT - 22}
                fill="var(--oat)"
                fillOpacity={0.25}
              />
            ))}
            {after && <rect {...bar(after)} y={6} height={BAR} rx={7} fill="var(--primary)" />}
            {before && before.startMs < toMs && (
              <rect
                {...bar(before)}
                y={10 + BAR}
                height={BAR - 4}
                rx={5}
                fill="none"
                stroke="var(--quiet)"
              />
            )}
            <AxisX
              y={HEIGHT - 20}
              from={SIDE}
              to={width - SIDE}
              ticks={x.ticks(Math.min(MOST_TICKS, width / TICK_PX)).map((at) => ({
                at: x(at),
                label: f.time(at.getTime()),
              }))}
            />
          </>
        );
      }}
    </Plot>
  );
}
