import { adviseLoad, scaleStepG } from '@calm/domain';
import type { LoadTemps } from '@calm/contract';
import type { Dilution, ScaledLot, WaterAdvice, WeighedLine } from '@calm/core';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Formats } from '@calm/domain';
import { formatDilutionMessage } from '../../../parts/format/dilutionMessage';
import { useFormats } from '../../../parts/format/useFormats';
import styles from './BatchSheet.module.css';
import type { Sheet } from './useSheet';
import { decimalsOf, nameOf } from '../bench/weighWords';

/** What goes into one load, in weights to be read from two metres. */
export function WeighList({
  sheet,
  scaled,
  number,
  temps,
}: {
  readonly sheet: Sheet;
  readonly scaled: ScaledLot;
  readonly number: number;
  readonly temps: LoadTemps;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { recipe, boardLot } = sheet;
  const load = scaled.loads[number - 1];
  if (!load) return null;
  const record = boardLot.lot?.loads.find((l) => l.number === number);
  const advice = adviseLoad(recipe, load, temps, record?.frictionC ?? sheet.friction.frictionC);
  return (
    <section aria-label={t('mix.weigh.title')}>
      {scaled.preferment && number === 1 && (
        <>
          <div className={styles['weighHead']}>
            <h2>{recipe.formula.preferment?.name}</h2>
            {boardLot.lot && (
              <Button variant="contained" component={Link} to="ahead">
                {t('mix.ahead.open')}
              </Button>
            )}
          </div>
          <p className="quiet small">{t('mix.weigh.preferment')}</p>
          <Lines sheet={sheet} lines={scaled.preferment.ingredients} />
        </>
      )}
      <div className={styles['weighHead']}>
        <h2>{t('mix.weigh.bowl')}</h2>
        {boardLot.lot && (
          <Button variant="contained" component={Link} to={`weigh?load=${number}`}>
            {t('mix.weighOff.open')}
          </Button>
        )}
      </div>
      <Lines sheet={sheet} lines={load.ingredients} water={{ advice, dilution: scaled.dilution }} />
      <p className={styles['bowlSum']}>
        {t('mix.weigh.sum', { sum: f.kilograms(load.doughG, 2) })}
      </p>
      {number === 1 && <Rounded sheet={sheet} lines={load.ingredients} />}
      {scaled.dilution && <DilutionNote dilution={scaled.dilution} />}
      {scaled.finerScaleG !== null && (
        <p className={styles['dilution']}>
          {t('mix.weigh.finerScale', { scale: f.grams(scaled.finerScaleG, 3) })}
        </p>
      )}
    </section>
  );
}

interface Water {
  readonly advice: WaterAdvice;
  readonly dilution: Dilution | null;
}

function Lines({
  sheet,
  lines,
  water,
}: {
  readonly sheet: Sheet;
  readonly lines: readonly WeighedLine[];
  readonly water?: Water;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { settings } = sheet.recipe;
  return (
    <ul className={styles['weigh']}>
      {lines.map((line) => {
        const stepG = scaleStepG(settings, line.kind);
        const isWater = line.kind === 'water' && water !== undefined;
        return (
          <li key={line.key} data-kind={line.kind}>
            <span className={styles['ingredient']}>
              {nameOf(t, line)}
              <span className="quiet small">{f.percent(line.percent, 2)}</span>
              {isWater && <WaterNote f={f} line={line} water={water} />}
            </span>
            <span className={styles['grams']}>{f.grams(line.grams, decimalsOf(stepG))}</span>
          </li>
        );
      })}
    </ul>
  );
}

/** How the water line is poured: temperature, ice, and what the dilution already brings. */
function WaterNote({
  f,
  line,
  water: { advice, dilution },
}: {
  readonly f: Formats;
  readonly line: WeighedLine;
  readonly water: Water;
}) {
  const { t } = useTranslation();
  const takenG = dilution?.waterInPortionG ?? 0;
  const shareLeft = (line.grams - takenG) / line.grams;
  const iceG = advice.iceG * shareLeft;
  const words = {
    at: f.temperature(advice.pourTempC),
    ice: f.grams(iceG),
    tap: f.grams(line.grams - takenG - iceG),
    taken: f.grams(takenG),
  };
  return (
    <span className={styles['pour']}>
      {iceG >= 1 ? t('mix.weigh.withIce', words) : t('mix.weigh.at', words)}
      {takenG > 0 && ` ${t('mix.weigh.lessDilution', words)}`}
    </span>
  );
}

function DilutionNote({ dilution }: { readonly dilution: Dilution }) {
  const { t } = useTranslation();
  const f = useFormats();
  return <p className={styles['dilution']}>{formatDilutionMessage(t, f, dilution)}</p>;
}

/** Off by more than this share of itself, a line is worth a word. */
const FELT_SHARE = 0.02;
/** What scales show, g; the first that is fine enough is named. */
const SCALES_G = [1, 0.1, 0.01] as const;

/** Lines that the scale cannot show nearly enough; yeast has a dilution of its own. */
function Rounded({
  sheet,
  lines,
}: {
  readonly sheet: Sheet;
  readonly lines: readonly WeighedLine[];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const stepG = sheet.recipe.settings.scaleReadabilityG.default;
  return lines
    .filter(
      ({ kind, grams, exactG }) =>
        kind !== 'yeast' && exactG > 0 && Math.abs(grams - exactG) > FELT_SHARE * exactG,
    )
    .map((line) => {
      const finerG =
        SCALES_G.find((scaleG) => scaleG < stepG && scaleG / 2 <= FELT_SHARE * line.exactG) ??
        SCALES_G[2];
      return (
        <p key={line.key} className={styles['dilution']}>
          {t('mix.weigh.rounded', {
            what: nameOf(t, line),
            shown: f.grams(line.grams, decimalsOf(stepG)),
            percent: f.percent((line.percent * line.grams) / line.exactG, 2),
            wanted: f.percent(line.percent, 2),
            scale: f.grams(finerG, 2),
          })}
        </p>
      );
    });
}
