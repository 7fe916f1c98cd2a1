import { stageKey, workOf, type PlannedStage, type PlannedWork } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../format/useFormats';
import { beadsOf, type Bead } from './beads';
import styles from './LotBand.module.css';
import { tintOf, WARM_C } from './tint';

const BEAD_PX = 32;
const SMALL_BEAD_RADIUS = 4;

/** How a bead reads: initials of who can do it, or that nobody can. */
export interface BeadLabel {
  readonly text: string;
  readonly isOpen: boolean;
}

/**
 * One lot over time, as planned: a band tinted from cold slate to warm oat by the air it stands in,
 * with a bead for each piece of work.
 */
export function LotBand({
  stages,
  doneKeys,
  toX,
  y,
  height,
  labelOf,
  onBead,
}: {
  readonly stages: readonly PlannedStage[];
  readonly doneKeys: ReadonlySet<string>;
  /** Places an instant, px. */
  readonly toX: (ms: number) => number;
  readonly y: number;
  readonly height: number;
  /** Absent draws small beads without words. */
  readonly labelOf?: (work: PlannedWork) => BeadLabel;
  readonly onBead?: (works: readonly PlannedWork[]) => void;
}) {
  const { t } = useTranslation();
  const middle = y + height / 2;
  const beads = beadsOf(workOf(stages), toX, labelOf ? BEAD_PX : 0);
  return (
    <g>
      {stages.map((stage) => {
        const [x1, x2] = [toX(stage.startMs), toX(stage.endMs)];
        const thickness = stage.kind === 'rest' ? height * 0.5 : 3;
        return (
          <rect
            key={stageKey(stage)}
            className={styles['band']}
            x={x1}
            width={Math.max(1, x2 - x1)}
            y={middle - thickness / 2}
            height={thickness}
            rx={Math.min(6, thickness / 2)}
            style={{ fill: stage.kind === 'rest' ? tintOf(stage.airTempC) : tintOf(WARM_C) }}
          >
            <title>{t(stage.kind === 'rest' ? `rest.${stage.key}` : `work.${stage.key}`)}</title>
          </rect>
        );
      })}
      {beads.map((bead) => (
        <BeadMark
          key={bead.x}
          bead={bead}
          y={middle}
          isDone={bead.works.every((work) => doneKeys.has(stageKey(work)))}
          labels={labelOf ? bead.works.map(labelOf) : null}
          onPick={onBead}
        />
      ))}
    </g>
  );
}

function BeadMark({
  bead,
  y,
  isDone,
  labels,
  onPick,
}: {
  readonly bead: Bead;
  readonly y: number;
  readonly isDone: boolean;
  readonly labels: readonly BeadLabel[] | null;
  readonly onPick: ((works: readonly PlannedWork[]) => void) | undefined;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const isOpen = !isDone && (labels?.some((label) => label.isOpen) ?? false);
  const text = labels ? wordsOf(labels) : '';
  const half = labels ? Math.max(13, text.length * 4.9 + 6) : SMALL_BEAD_RADIUS;
  const high = labels ? 13 : SMALL_BEAD_RADIUS;
  return (
    <g
      className={styles['bead']}
      data-done={isDone}
      data-open={isOpen}
      onClick={() => onPick?.(bead.works)}
    >
      <rect x={bead.x - half} width={half * 2} y={y - high} height={high * 2} rx={high} />
      {labels && (
        <text x={bead.x} y={y + 4} textAnchor="middle">
          {text}
        </text>
      )}
      <title>{f.list(bead.works.map((work) => t(`work.${work.key}`)))}</title>
    </g>
  );
}

/** `MA`, or `MA+1` when one person does both, or `MA TI` when two do. */
function wordsOf(labels: readonly BeadLabel[]): string {
  const names = [...new Set(labels.map((label) => label.text))];
  const [first = ''] = names;
  if (labels.length === 1) return first;
  return names.length === 1 ? `${first} ×${labels.length}` : names.join(' ');
}
