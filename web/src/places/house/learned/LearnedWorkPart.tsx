import type { HouseBook, HouseFit, RouteRecord } from '@calm/contract';
import type { LearnedWork, WorkKey } from '@calm/core';
import { personOf } from '@calm/domain';
import Button from '@mui/material/Button';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../parts/format/useFormats';
import { useNotices } from '../../../parts/messages/Notices';
import { problemWords } from '../../../parts/messages/problemWords';
import { useChangeRouteMutation } from '../../../state/api/routesApi';
import styles from '../House.module.css';
import { usePlanLearnedWorkMutation } from './learnedApi';

/** Work that takes longer than planned, or less. What the whole house takes can be planned with at one press. */
export function LearnedWorkPart({
  house,
  book,
  work,
  mayPlan,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly work: NonNullable<HouseFit['work']>;
  readonly mayPlan: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { changed, failed } = useNotices();
  const [plan, { isLoading }] = usePlanLearnedWorkMutation();
  const [change] = useChangeRouteMutation();
  const nameOf = ({ kind, personId }: LearnedWork) =>
    f.joined(
      t(`work.${kind as WorkKey}`),
      ...(personId ? [personOf(book, personId)?.name ?? ''] : []),
    );
  const planWith = async (each: LearnedWork) => {
    const kind = each.kind as WorkKey;
    const before = book.routes.filter(({ stages }) => stages.some(({ key }) => key === kind));
    const putBack = ({ id, version, name, stages }: RouteRecord) =>
      change({
        house,
        id,
        change: { version: version + 1, content: { name, stages } },
      }).unwrap();
    try {
      await plan({ house, kind }).unwrap();
      changed(t('learned.work.planned', { what: nameOf(each) }), async () => {
        for (const route of before) await putBack(route);
      });
    } catch (error) {
      failed(problemWords(t, error));
    }
  };
  return (
    <section className={styles['section']} aria-label={t('learned.work.title')}>
      <h2>{t('learned.work.title')}</h2>
      <ul className={styles['list']}>
        {work.map((each) => (
          <li key={`${each.kind}/${each.personId}`} className={styles['proposal']}>
            <span>
              {t(each.factor > 1 ? 'learned.work.longer' : 'learned.work.shorter', {
                what: nameOf(each),
                percent: f.percent(100 * Math.abs(each.factor - 1), 0),
                count: each.samples,
              })}
            </span>
            {mayPlan && each.personId === null && (
              <Button
                variant="outlined"
                disabled={isLoading}
                aria-label={t('learned.work.planOf', { what: nameOf(each) })}
                onClick={() => void planWith(each)}
              >
                {t('learned.work.plan')}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <p>
        <Link to={`/${house}/formulas/routes`}>{t('learned.work.change')}</Link>
      </p>
    </section>
  );
}
