import type { HouseBook } from '@calm/contract';
import { recordOf } from '@calm/domain';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../parts/format/useFormats';
import { WideTable } from '../../../parts/layout/WideTable';
import { useFrictionsQuery } from '../../../state/api/api';
import styles from '../House.module.css';

interface Row {
  readonly key: string;
  readonly what: string;
  readonly is: string;
  /** What it was learned from, or where it is. */
  readonly from: ReactNode;
}

/** What follows the record without being asked: losses, how mixers warm doughs, and rooms by their readings. */
export function AlwaysLearned({
  house,
  book,
}: {
  readonly house: string;
  readonly book: HouseBook;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { data: frictions = [] } = useFrictionsQuery(house);
  const { residue, trims } = book.losses;
  const lots = (count: number) => t('learned.always.lots', { count });
  const rows: Row[] = [
    ...(residue
      ? [
          {
            key: 'residue',
            what: t('learned.always.residue'),
            is: t('learned.always.residueIs', {
              percent: f.percent(residue.percent, 1),
              perLoad: f.grams(residue.perLoadG),
            }),
            from: lots(residue.lots),
          },
        ]
      : []),
    ...trims.map((trim) => ({
      key: trim.productId,
      what: t('learned.always.trim', {
        product: recordOf(book, 'products', trim.productId)?.name ?? '',
      }),
      is: f.percent(trim.percent, 1),
      from: lots(trim.lots),
    })),
    ...frictions
      .filter(({ loads }) => loads > 0)
      .map(({ mixerId, formulaId, frictionC, loads }) => ({
        key: `${mixerId}/${formulaId}`,
        what: t('learned.always.mixer', {
          mixer: recordOf(book, 'mixers', mixerId)?.name ?? '',
          dough: recordOf(book, 'formulas', formulaId)?.name ?? '',
        }),
        is: f.warmer(frictionC),
        from: t('learned.always.loads', { count: loads }),
      })),
    ...book.places
      .filter(({ room }) => room !== null)
      .map(({ id, name, room }) => ({
        key: id,
        what: t('learned.always.room', { place: name }),
        is: room ? f.temperature(room.setC) : '',
        from: <Link to={`/${house}/walk-in/places`}>{t('learned.always.byReadings')}</Link>,
      })),
  ];
  if (rows.length === 0) return null;
  return (
    <section className={styles['section']}>
      <h2>{t('learned.always.title')}</h2>
      <p className="quiet">{t('learned.always.lead')}</p>
      <WideTable label={t('learned.always.title')}>
        <table className={styles['table']}>
          <thead>
            <tr>
              {(['what', 'is', 'from'] as const).map((key) => (
                <th key={key} scope="col">
                  {t(`learned.always.head.${key}`)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ key, what, is, from }) => (
              <tr key={key}>
                <th scope="row">{what}</th>
                <td>{is}</td>
                <td>{from}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </WideTable>
    </section>
  );
}
