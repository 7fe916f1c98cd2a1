import { MOMENT_MIN, weighedCost, type Decision, type EveningCost } from '@calm/core';
import type { PracticeEvening } from '@calm/domain';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import { WideTable } from '../../../../parts/layout/WideTable';
import { timeOfEvening } from './eveningClock';

/** A decision that moved less than this made no difference, in guests. */
const NO_DIFFERENCE = 0.25;

/** What was decided, and what each decision came to. */
export function DecisionsTable({
  evening: { really, products },
  decisions,
  costs,
}: {
  readonly evening: PracticeEvening;
  readonly decisions: readonly Decision[];
  readonly costs: readonly EveningCost[];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const say = ({ deed }: Decision): string => {
    switch (deed.kind) {
      case 'trays':
        return t(`practice.evening.did.${deed.act}`, { count: deed.trays.length });
      case 'mix':
        return t('practice.evening.did.mix', { water: t(`practice.evening.water.${deed.water}`) });
      default:
        return t(`practice.evening.did.${deed.kind}`);
    }
  };
  const cameTo = (cost: EveningCost | undefined): string => {
    const by = cost ? weighedCost(cost) : 0;
    if (Math.abs(by) < NO_DIFFERENCE) return t('practice.evening.noDifference');
    return t(by < 0 ? 'practice.evening.saved' : 'practice.evening.costIt', {
      by: f.plain(Math.abs(by), 1),
    });
  };
  return (
    <section>
      <h2>{t('practice.evening.decided')}</h2>
      <WideTable label={t('practice.evening.decided')}>
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>{t('practice.evening.when')}</TableCell>
              <TableCell>{t('practice.evening.dough')}</TableCell>
              <TableCell>{t('practice.evening.what')}</TableCell>
              <TableCell>{t('practice.evening.cameTo')}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {decisions.map((each, i) => (
              <TableRow key={String(i)}>
                <TableCell>{timeOfEvening(f, really, each.moment * MOMENT_MIN)}</TableCell>
                <TableCell>{products[each.dough]?.name}</TableCell>
                <TableCell>{say(each)}</TableCell>
                <TableCell>{cameTo(costs[i])}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </WideTable>
    </section>
  );
}
