import type { HouseBook, Mixer } from '@calm/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/useFormats';
import { WideTable } from '../../../parts/layout/WideTable';
import { RetiredList } from '../../../parts/retired/RetiredList';
import { useRetirement } from '../../../state/api/useRetirement';
import { useCursor } from '../../../state/time/useCursor';
import styles from '../House.module.css';
import { MixerDialog } from './MixerDialog';

/** What dough is worked in, machines and hands. */
export function Mixers({
  book,
  mayChange,
}: {
  readonly book: HouseBook;
  readonly mayChange: boolean;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { nowMs } = useCursor();
  /** Null is a new one. */
  const [open, setOpen] = useState<{ readonly mixer: Mixer | null } | null>(null);
  const retirement = useRetirement('mixers');
  const stateOf = ({ outOfOrder }: Mixer) =>
    outOfOrder && Date.parse(outOfOrder.until) > nowMs
      ? t('house.mixers.outUntil', { until: f.moment(Date.parse(outOfOrder.until)) })
      : t('house.mixers.inOrder');
  return (
    <section className={styles['section']}>
      <div className={styles['head']}>
        <h2>{t('house.mixers.title')}</h2>
        {mayChange && (
          <Button size="small" aria-haspopup="dialog" onClick={() => setOpen({ mixer: null })}>
            {t('house.mixers.add')}
          </Button>
        )}
      </div>
      {book.mixers.length === 0 ? (
        <p className="quiet">{t('house.mixers.none')}</p>
      ) : (
        <WideTable label={t('house.mixers.title')}>
          <table className={styles['table']}>
            <thead>
              <tr>
                <th scope="col">{t('house.mixers.name')}</th>
                <th scope="col">{t('house.mixers.takes')}</th>
                <th scope="col">{t('house.mixers.state')}</th>
                <td />
              </tr>
            </thead>
            <tbody>
              {book.mixers.map((mixer) => (
                <tr key={mixer.id}>
                  <th scope="row">
                    {mixer.name}{' '}
                    <span className="quiet small">{t(`house.mixers.kinds.${mixer.kind}`)}</span>
                  </th>
                  <td>
                    {t('house.mixers.fromTo', {
                      least: f.kilograms(mixer.minDoughKg * 1000),
                      most: f.kilograms(mixer.maxDoughKg * 1000),
                    })}
                  </td>
                  <td>{stateOf(mixer)}</td>
                  <td>
                    {mayChange && (
                      <Button
                        size="small"
                        aria-haspopup="dialog"
                        aria-label={t('house.changeOf', { name: mixer.name })}
                        onClick={() => setOpen({ mixer })}
                      >
                        {t('house.change')}
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </WideTable>
      )}
      <RetiredList
        title={t('retired.mixers', { count: book.retired.mixers.length })}
        records={book.retired.mixers}
        retirement={retirement}
      />
      {open && (
        <MixerDialog
          mixer={open.mixer}
          timeZone={book.house.timeZone}
          onClose={() => setOpen(null)}
        />
      )}
    </section>
  );
}
