import type { PracticeWeek } from '@calm/contract';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../../parts/format/useFormats';
import { Page } from '../../../../parts/layout/Page';
import { WideTable } from '../../../../parts/layout/WideTable';
import type { EveningSum } from './weekRun';
import { weekTitle } from './weekWords';

const COUNTS = ['guests', 'short', 'thrown'] as const;
const COSTS = ['cost', 'best', 'plain'] as const;

/** A week that is over: each of its evenings, and all of them together. */
export function WeekTold({
  house,
  week,
  told,
  onAgain,
}: {
  readonly house: string;
  readonly week: PracticeWeek;
  readonly told: readonly EveningSum[];
  readonly onAgain: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const all = totalOf(told);
  const lead = t('practice.week.verdict', {
    beyond: f.count(Math.round(all.cost - all.best)),
    guests: f.count(Math.round(all.guests)),
    thrown: f.count(Math.round(all.thrown)),
  });
  const rows = [
    ...told.map((sum, i) => ({ name: nameOf(i), sum })),
    { name: t('practice.week.all'), sum: all },
  ];
  return (
    <Page
      title={weekTitle(t, week)}
      lead={<p role="status">{lead}</p>}
      aside={
        <>
          <Button variant="outlined" component={Link} to={`/${house}/crew/practice/evenings`}>
            {t('practice.evening.others')}
          </Button>
          <Button variant="contained" onClick={onAgain}>
            {t('practice.evening.again')}
          </Button>
        </>
      }
    >
      <WideTable label={t('practice.week.byEvening')}>
        <Table>
          <TableHead>
            <TableRow>
              <TableCell />
              {COUNTS.map((part) => (
                <TableCell key={part} align="right">
                  {t(`practice.week.part.${part}`)}
                </TableCell>
              ))}
              {COSTS.map((by) => (
                <TableCell key={by} align="right">
                  {t(`practice.evening.by.${by}`)}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map(({ name, sum }) => (
              <TableRow key={name}>
                <TableCell component="th" scope="row">
                  {name}
                </TableCell>
                {COUNTS.map((part) => (
                  <TableCell key={part} align="right">
                    {f.count(Math.round(sum[part]))}
                  </TableCell>
                ))}
                {COSTS.map((by) => (
                  <TableCell key={by} align="right">
                    {f.plain(sum[by], 1)}
                  </TableCell>
                ))}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </WideTable>
      <p className="quiet">{t('practice.week.inGuests')}</p>
    </Page>
  );

  function nameOf(i: number): string {
    const number = { number: f.count(i + 1), all: f.count(week.evenings.length) };
    return week.evenings[i]?.title ?? t('practice.week.evening', number);
  }
}

const totalOf = (told: readonly EveningSum[]): EveningSum =>
  told.reduce<EveningSum>(
    (sum, each) => ({
      cost: sum.cost + each.cost,
      best: sum.best + each.best,
      plain: sum.plain + each.plain,
      guests: sum.guests + each.guests,
      short: sum.short + each.short,
      thrown: sum.thrown + each.thrown,
    }),
    { cost: 0, best: 0, plain: 0, guests: 0, short: 0, thrown: 0 },
  );
