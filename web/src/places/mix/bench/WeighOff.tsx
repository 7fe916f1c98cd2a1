import { adviseLoad, currentRecords, type BoardLot } from '@calm/domain';
import type { RecordOf } from '@calm/contract';
import type { WeighedLine } from '@calm/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { Caution } from '../../../parts/messages/Caution';
import { useFormats } from '../../../parts/format/useFormats';
import { NumberField } from '../../../parts/fields/NumberField';
import { useNotices } from '../../../parts/messages/Notices';
import { Page } from '../../../parts/layout/Page';
import type { Board } from '../../../state/board/useBoard';
import { useAddRecord, useLotRecords } from '../../../state/outbox/useRecords';
import { useBenchScale } from './useBenchScale';
import { useSheet } from '../sheet/useSheet';
import { WindowNow } from '../sheet/WindowNow';
import { useWakeLock } from '../../../state/time/useWakeLock';
import styles from './WeighOff.module.css';
import { decimalsOf, nameOf } from './weighWords';
import { WithStartedLot } from '../WithLot';

/** One load weighed off, one ingredient at a time, on the bench scale or by typing. */
export function WeighOff() {
  return (
    <WithStartedLot>
      {(board, lot) => <Weighing key={lot.lot?.id} board={board} boardLot={lot} />}
    </WithStartedLot>
  );
}

function Weighing({ board, boardLot }: { readonly board: Board; readonly boardLot: BoardLot }) {
  useWakeLock(true);
  const { t } = useTranslation();
  const sheet = useSheet(board, boardLot);
  const [params] = useSearchParams();
  const { scaled, recipe } = sheet;
  const number = Math.max(1, Number.parseInt(params.get('load') ?? '', 10) || 1);
  const records = useLotRecords(board.house, boardLot.lot?.id ?? null);
  const load = scaled.ok ? scaled.value.loads[number - 1] : undefined;
  const record = boardLot.lot?.loads.find((each) => each.number === number);
  const [chosen, setChosen] = useState<string | null>(null);
  if (!load || !record || !boardLot.lot) return null;
  const weighed = new Map(
    currentRecords(records, 'weighed')
      .filter(({ content }) => content.loadNumber === number)
      .map((each) => [each.content.key, each]),
  );
  const next = load.ingredients.find(({ key }) => !weighed.has(key));
  const line = load.ingredients.find(({ key }) => key === chosen) ?? next ?? null;
  const { pourTempC, iceG } = adviseLoad(recipe, load, record, record.frictionC);
  const { scaleReadabilityG } = recipe.settings;
  const stepOf = ({ kind }: WeighedLine) =>
    kind === 'yeast' ? scaleReadabilityG.yeast : scaleReadabilityG.default;
  const sheetPath = `/${board.house}/mix/${boardLot.date}/${boardLot.product.slug}`;
  return (
    <Page
      title={t('mix.weighOff.title', { code: boardLot.code, number })}
      aside={
        <Button component={Link} to={sheetPath} variant="outlined" size="large">
          {t('mix.paper.back')}
        </Button>
      }
    >
      <WindowNow board={board} boardLot={boardLot} isOnlyIfMoved />
      <div className={styles['weighing']}>
        {line ? (
          <AtScale
            key={`${number}/${line.key}`}
            house={board.house}
            lotId={boardLot.lot.id}
            code={boardLot.code}
            number={number}
            line={line}
            stepG={stepOf(line)}
            water={line.kind === 'water' ? { pourTempC, iceG } : null}
            before={weighed.get(line.key) ?? null}
            onDone={() => setChosen(null)}
          />
        ) : (
          <p className={styles['all']}>{t('mix.weighOff.all')}</p>
        )}
        <ol className={styles['lines']}>
          {load.ingredients.map((each) => (
            <Line
              key={each.key}
              line={each}
              stepG={stepOf(each)}
              record={weighed.get(each.key) ?? null}
              isNow={each === line}
              onChoose={() => setChosen(each.key)}
            />
          ))}
        </ol>
      </div>
      <Caution about="flour-dust" />
      <Caution about="lifting" />
    </Page>
  );
}

type Weighed = RecordOf<'weighed'>;

/** One ingredient of the load: to be weighed, or as it was. */
function Line({
  line,
  stepG,
  record,
  isNow,
  onChoose,
}: {
  readonly line: WeighedLine;
  readonly stepG: number;
  readonly record: Weighed | null;
  readonly isNow: boolean;
  readonly onChoose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const decimals = decimalsOf(stepG);
  const offG = record ? record.content.grams - record.content.wantedG : 0;
  return (
    <li data-now={isNow} data-done={record !== null}>
      <button type="button" onClick={onChoose} aria-current={isNow}>
        <span>{nameOf(t, line)}</span>
        <b>{f.grams(record?.content.grams ?? line.grams, decimals)}</b>
        <span className="quiet">
          {record
            ? Math.abs(offG) < stepG / 2
              ? t('mix.weighOff.right')
              : t(offG > 0 ? 'mix.weighOff.over' : 'mix.weighOff.under', {
                  by: f.grams(Math.abs(offG), decimals),
                })
            : ''}
        </span>
      </button>
    </li>
  );
}

/** The scale, the weight wanted, and one press to take it. */
function AtScale({
  house,
  lotId,
  code,
  number,
  line,
  stepG,
  water,
  before,
  onDone,
}: {
  readonly house: string;
  readonly lotId: string;
  readonly code: string;
  readonly number: number;
  readonly line: WeighedLine;
  readonly stepG: number;
  readonly water: { readonly pourTempC: number; readonly iceG: number } | null;
  readonly before: Weighed | null;
  readonly onDone: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { said } = useNotices();
  const scale = useBenchScale(stepG);
  const add = useAddRecord(house);
  const decimals = decimalsOf(stepG);
  const wantedG = line.grams;
  const offG = scale.grams - wantedG;
  const name = nameOf(t, line);
  const take = (grams: number) => {
    const content = { kind: 'weighed', loadNumber: number, key: line.key, grams, wantedG } as const;
    const words = t('mix.weighOff.taken', { name, grams: f.grams(grams, decimals) });
    add(lotId, content, `${code}: ${words}`, before?.id);
    scale.clear();
    said(words);
    onDone();
  };
  const hold = {
    onPointerDown: () => scale.pour(wantedG),
    onPointerUp: scale.stop,
    onPointerLeave: scale.stop,
    onKeyDown: (event: { key: string }) => {
      if (event.key === ' ' || event.key === 'Enter') scale.pour(wantedG);
    },
    onKeyUp: scale.stop,
    onBlur: scale.stop,
  };
  return (
    <section className={styles['scale']} aria-label={name}>
      <h2>{name}</h2>
      <p className={styles['wanted']}>{f.grams(wantedG, decimals)}</p>
      {water && (
        <p className={styles['water']}>
          {water.iceG >= 1
            ? t('mix.weigh.withIce', {
                at: f.temperature(water.pourTempC),
                ice: f.grams(water.iceG),
                tap: f.grams(wantedG - water.iceG),
              })
            : t('mix.weigh.at', { at: f.temperature(water.pourTempC) })}
        </p>
      )}
      <Shown scale={scale} wantedG={wantedG} stepG={stepG} />
      <div className={styles['hands']}>
        <Button variant="outlined" size="large" {...hold}>
          {t('mix.weighOff.pour')}
        </Button>
        <Button
          variant="outlined"
          size="large"
          onClick={() => scale.put(offG > stepG / 2 ? -offG : -stepG)}
        >
          {t('mix.weighOff.spoonOff')}
        </Button>
        <Button variant="outlined" size="large" onClick={scale.tare}>
          {t('mix.weighOff.tare')}
        </Button>
      </div>
      <Button
        variant="contained"
        size="large"
        className={styles['take'] ?? ''}
        disabled={!scale.isStable || scale.grams < stepG / 2}
        onClick={() => take(scale.grams)}
      >
        {t('mix.weighOff.take')}
      </Button>
      <NumberField
        label={t('mix.weighOff.typed')}
        measure="grams"
        rule={{ min: 0, max: 1_000_000, decimals, mayBeEmpty: true }}
        step={stepG}
        value={null}
        onCommit={(grams) => grams !== null && take(grams)}
      />
      <p className="quiet small">{t('mix.weighOff.simulated')}</p>
    </section>
  );
}

/** What the scale shows, and how far that is from right. */
function Shown({
  scale,
  wantedG,
  stepG,
}: {
  readonly scale: ReturnType<typeof useBenchScale>;
  readonly wantedG: number;
  readonly stepG: number;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const decimals = decimalsOf(stepG);
  const offG = scale.grams - wantedG;
  const isRight = Math.abs(offG) < stepG * 1.5;
  return (
    <>
      <p
        className={styles['shown']}
        data-right={isRight}
        data-stable={scale.isStable}
        role="status"
      >
        <span>{t('mix.weighOff.scale')}</span>
        <b>{f.grams(scale.grams, decimals)}</b>
        <span>
          {Math.abs(scale.grams) < stepG
            ? t('mix.weighOff.empty')
            : isRight
              ? t('mix.weighOff.right')
              : t(offG > 0 ? 'mix.weighOff.takeOff' : 'mix.weighOff.more', {
                  by: f.grams(Math.abs(offG), decimals),
                })}
        </span>
      </p>
      <div className={styles['bar']} aria-hidden="true">
        <span style={{ width: `${Math.min(100, Math.max(0, (100 * scale.grams) / wantedG))}%` }} />
      </div>
    </>
  );
}
