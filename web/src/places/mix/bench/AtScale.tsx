import type { RecordOf } from '@calm/contract';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { NumberField } from '../../../parts/fields/NumberField';
import { useFormats } from '../../../parts/format/useFormats';
import { useNotices } from '../../../parts/messages/Notices';
import { useAddRecord } from '../../../state/outbox/useRecords';
import type { Turn } from './turns';
import { useBenchScale } from './useBenchScale';
import styles from './WeighOff.module.css';
import { decimalsOf, nameOf } from './weighWords';

/** The scale, the weight wanted, and one press to take it. */
export function AtScale({
  house,
  lotId,
  code,
  number,
  turn: { line, step, isHeldBack },
  stepG,
  water,
  before,
  onDone,
}: {
  readonly house: string;
  readonly lotId: string;
  readonly code: string;
  readonly number: number;
  readonly turn: Turn;
  readonly stepG: number;
  readonly water: { readonly pourTempC: number; readonly iceG: number } | null;
  readonly before: RecordOf<'weighed'> | null;
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
    const content = {
      kind: 'weighed',
      loadNumber: number,
      key: line.key,
      ...(step && { step: step.key }),
      grams,
      wantedG,
    } as const;
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
      {step && (
        <p className={styles['at']}>
          <b>{step.title}</b> {step.detail}
        </p>
      )}
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
      {isHeldBack && (
        <Button variant="outlined" size="large" onClick={() => take(0)}>
          {t('mix.weighOff.notUsed')}
        </Button>
      )}
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
