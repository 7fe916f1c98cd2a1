import { READINESS_WORKS, type House, type PracticeNeed, type ReadinessWork } from '@calm/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import { usePermission } from '../../../../state/api/usePermission';
import { RuleDialog } from './RuleDialog';
import styles from './Rules.module.css';

/** What the house asks before somebody is planned alone, work by work. */
export function ReadinessRules({ house }: { readonly house: House }) {
  const { t } = useTranslation();
  const f = useFormats();
  const mayChange = usePermission('book');
  const [open, setOpen] = useState<ReadinessWork | null>(null);
  const rules = house.settings.readiness ?? [];
  const say = ({ skill, leastScore, times, withinDays }: PracticeNeed) =>
    t('readiness.need', {
      skill: t(`readiness.skill.${skill}`),
      score: f.count(leastScore),
      times: f.count(times),
      days: f.count(withinDays),
    });
  return (
    <section className={styles['section']}>
      <h2>{t('readiness.title')}</h2>
      <p className="quiet">{t('readiness.about')}</p>
      <ul className={styles['rules']}>
        {READINESS_WORKS.map((work) => {
          const rule = rules.find((each) => each.work === work);
          const name = t(`readiness.work.${work}`);
          const mass = f.kilograms(1000 * (rule?.fromKg ?? 0), 0);
          const of = work === 'large-loads' && rule ? [t('readiness.from', { mass })] : [];
          return (
            <li key={work}>
              <div>
                <b>{f.joined(name, ...of)}</b>
                {rule ? (
                  rule.needs.map((need) => <p key={need.skill}>{say(need)}</p>)
                ) : (
                  <p className="quiet">{t('readiness.none')}</p>
                )}
              </div>
              {mayChange && (
                <Button
                  onClick={() => setOpen(work)}
                  aria-label={t('readiness.changeOf', { work: name })}
                >
                  {t('readiness.change')}
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      {open && <RuleDialog house={house} work={open} onClose={() => setOpen(null)} />}
    </section>
  );
}
