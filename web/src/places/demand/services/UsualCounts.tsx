import type { HouseCalendar, ServicePattern, UsualCount } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { NumberCell } from '../../../parts/fields/NumberCell';
import { useFormats } from '../../../parts/format/useFormats';
import { dateOf } from '../../../parts/format/weekdays';
import { WideTable } from '../../../parts/layout/WideTable';
import { useNotices } from '../../../parts/messages/Notices';
import { problemWords } from '../../../parts/messages/problemWords';
import { useBookQuery } from '../../../state/api/api';
import { useHouse } from '../../../state/board/useBoard';
import { useChangeUsualMutation } from '../demandApi';
import styles from './Services.module.css';

const BALLS = { min: 0, max: 20_000, decimals: 0 };

/** How many balls of each product usually go at each service of the week, until the forecast knows better. */
export function UsualCounts({
  calendar,
  patterns,
}: {
  readonly calendar: HouseCalendar;
  readonly patterns: readonly ServicePattern[];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const house = useHouse();
  const { changed, failed } = useNotices();
  const [changeUsual] = useChangeUsualMutation();
  const products = useBookQuery(house).data?.products ?? [];
  if (products.length === 0 || patterns.length === 0) return null;
  const countsOf = (patternId: string): readonly UsualCount[] =>
    calendar.usual
      .filter((each) => each.patternId === patternId)
      .map(({ productId, count }) => ({ productId, count }));
  const keep = async (patternId: string, productId: string, count: number) => {
    const before = countsOf(patternId);
    const counts = [...before.filter((each) => each.productId !== productId), { productId, count }];
    try {
      await changeUsual({ house, patternId, change: { counts } }).unwrap();
      changed(t('demand.usual.kept'), () =>
        changeUsual({ house, patternId, change: { counts: before } }).unwrap(),
      );
    } catch (error) {
      failed(problemWords(t, error));
    }
  };
  return (
    <section>
      <h2>{t('demand.usual.title')}</h2>
      <p className="quiet small">{t('demand.usual.why')}</p>
      <WideTable label={t('demand.usual.title')}>
        <table className={styles['usual']}>
          <thead>
            <tr>
              <td />
              {products.map(({ id, name }) => (
                <th key={id} scope="col">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {patterns.map(({ id, name, weekday }) => {
              const day = f.weekday(Date.parse(`${dateOf(weekday)}T12:00:00Z`));
              const counts = countsOf(id);
              return (
                <tr key={id}>
                  <th scope="row">
                    {day} {name}
                  </th>
                  {products.map((product) => (
                    <td key={product.id}>
                      <NumberCell
                        label={t('demand.usual.of', { product: product.name, service: name, day })}
                        unit=""
                        value={counts.find((each) => each.productId === product.id)?.count ?? 0}
                        rule={BALLS}
                        step={5}
                        onCommit={(count) => void keep(id, product.id, count)}
                      />
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </WideTable>
    </section>
  );
}
