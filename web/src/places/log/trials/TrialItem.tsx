import { VERDICTS, type Trial, type Verdict } from '@calm/contract';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../parts/format/useFormats';
import styles from './Trials.module.css';

/** Chance does such a thing this seldom: then it hardly was chance. */
const HARDLY = 0.05;

/** One trial: what is said of X and Y, and once it is ended, which was which and what chance alone would do. */
export function TrialItem({
  house,
  trial,
  acts,
}: {
  readonly house: string;
  readonly trial: Trial;
  /** Null where somebody only looks. */
  readonly acts: { readonly onSay: (choice: Verdict) => void; readonly onEnd: () => void } | null;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { change, judge, formulaName, formulaVersion, codes, verdicts, endedAt } = trial;
  const all = verdicts.x + verdicts.same + verdicts.y;
  return (
    <li className={styles['trial']} aria-label={change}>
      <b>{change}</b>
      <p className="quiet small">
        {t('trials.about', {
          dough: formulaName,
          version: formulaVersion,
          judge: t(`trials.judge.${judge}`),
          since: f.moment(Date.parse(trial.startedAt)),
        })}
      </p>
      {endedAt === null ? (
        <>
          <p role="status">{t('trials.said', { count: all })}</p>
          {acts && (
            <div className={styles['verdicts']}>
              {VERDICTS.map((choice) => (
                <Button
                  key={choice}
                  variant="outlined"
                  size="large"
                  onClick={() => acts.onSay(choice)}
                >
                  {t(`trials.verdict.${choice}`)}
                </Button>
              ))}
              <Button onClick={acts.onEnd}>{t('trials.end')}</Button>
            </div>
          )}
          <details>
            <summary>{t('trials.forWhoPlates')}</summary>
            <p>{t('trials.plates', codes)}</p>
          </details>
        </>
      ) : (
        <Outcome house={house} trial={trial} />
      )}
    </li>
  );
}

/** Which was which, and how far chance alone would go. */
function Outcome({ house, trial }: { readonly house: string; readonly trial: Trial }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { codes, verdicts, changed, chance } = trial;
  if (!changed) return null;
  const other = changed === 'x' ? 'y' : 'x';
  const [won, lost] = [verdicts[changed], verdicts[other]];
  const better = won === lost ? 'even' : won > lost ? 'changed' : 'control';
  return (
    <>
      <p role="status">
        {t(`trials.better.${better}`, {
          won: f.count(Math.max(won, lost)),
          lost: f.count(Math.min(won, lost)),
          same: f.count(verdicts.same),
        })}{' '}
        {chance !== null &&
          t(chance <= HARDLY ? 'trials.hardlyChance' : 'trials.maybeChance', {
            percent: f.percent(100 * chance, chance < 0.1 ? 1 : 0),
          })}
      </p>
      <p className={styles['codes']}>
        {t('trials.changedWas')}{' '}
        <Link to={`/${house}/log/${codes[changed]}`}>{codes[changed]}</Link>
        {t('trials.controlWas')} <Link to={`/${house}/log/${codes[other]}`}>{codes[other]}</Link>
      </p>
    </>
  );
}
