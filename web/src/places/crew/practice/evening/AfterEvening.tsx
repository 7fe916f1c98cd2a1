import { weighedCost, type Debrief, type EveningCost } from '@calm/core';
import type { Situation } from '@calm/contract';
import { whatWasOtherwise, type Otherwise, type PracticeEvening } from '@calm/domain';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../../../parts/format/useFormats';
import { Page } from '../../../../parts/layout/Page';
import { WideTable } from '../../../../parts/layout/WideTable';
import { DecisionsTable } from './DecisionsTable';
import { DoughTold, Legend } from './DoughTold';
import styles from './Evening.module.css';
import type { useEveningRun } from './useEveningRun';

/** An evening that is over: what it came to, beside the best and the plain rule, and why. */
export function AfterEvening({
  house,
  situation,
  title,
  evening,
  played: { run, talk, again },
  next,
}: {
  readonly house: string;
  readonly situation: Situation;
  readonly title: string;
  readonly evening: PracticeEvening;
  readonly played: ReturnType<typeof useEveningRun>;
  /** What is done after it, in a week: once it is known what it came to. */
  readonly next?: (debrief: Debrief) => ReactNode;
}) {
  const { t } = useTranslation();
  const aside: ReactNode = (
    <>
      <Button variant="outlined" component={Link} to={`/${house}/crew/practice/evenings`}>
        {t('practice.evening.others')}
      </Button>
      {!next && (
        <Button variant="contained" onClick={again}>
          {t('practice.evening.again')}
        </Button>
      )}
    </>
  );
  if (!talk || 'share' in talk)
    return (
      <Page title={title} lead={t('practice.evening.seeking')}>
        <LinearProgress
          variant="determinate"
          value={100 * (talk?.share ?? 0)}
          aria-label={t('practice.evening.seeking')}
        />
      </Page>
    );
  const { debrief } = talk;
  return (
    <Page title={title} lead={<Verdict debrief={debrief} />} aside={aside}>
      <Costs debrief={debrief} />
      {next?.(debrief)}
      {evening.products.map((product, i) => {
        const dough = debrief.doughs[i];
        return (
          dough && (
            <DoughTold key={product.id} product={product} told={dough} really={evening.really} />
          )
        );
      })}
      <Legend />
      <WhatWasOtherwise
        all={whatWasOtherwise(situation)}
        nameOf={(dough) => evening.products[dough]?.name ?? ''}
      />
      {run.decisions.length > 0 && (
        <DecisionsTable evening={evening} decisions={run.decisions} costs={debrief.decisions} />
      )}
    </Page>
  );
}

function Verdict({ debrief: { score, cost, best, guests } }: { readonly debrief: Debrief }) {
  const { t } = useTranslation();
  const f = useFormats();
  return (
    <p role="status">
      {t('practice.evening.verdict', {
        score: f.count(Math.round(100 * score)),
        beyond: f.count(Math.round(weighedCost(cost) - weighedCost(best))),
        guests: f.count(Math.round(guests)),
      })}
    </p>
  );
}

/** Parts of what an evening costs, as they are listed. */
const PARTS = ['short', 'told', 'bad', 'thrown', 'minutes'] as const;

/** What it came to, the best in hindsight, and the plain rule, side by side. */
function Costs({ debrief }: { readonly debrief: Debrief }) {
  const { t } = useTranslation();
  const f = useFormats();
  const rows = ['cost', 'best', 'plain'] as const;
  const say = (cost: EveningCost, part: (typeof PARTS)[number]) =>
    part === 'minutes' ? f.duration(Math.round(cost.minutes)) : f.count(Math.round(cost[part]));
  return (
    <section>
      <h2>{t('practice.evening.costs')}</h2>
      <WideTable label={t('practice.evening.costs')}>
        <Table>
          <TableHead>
            <TableRow>
              <TableCell />
              {PARTS.map((part) => (
                <TableCell key={part} align="right">
                  {t(`practice.evening.cost.${part}`)}
                </TableCell>
              ))}
              <TableCell align="right">{t('practice.evening.cost.all')}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map((row) => (
              <TableRow key={row}>
                <TableCell component="th" scope="row">
                  {t(`practice.evening.by.${row}`)}
                </TableCell>
                {PARTS.map((part) => (
                  <TableCell key={part} align="right">
                    {say(debrief[row], part)}
                  </TableCell>
                ))}
                <TableCell align="right">
                  <b>{f.plain(weighedCost(debrief[row]), 1)}</b>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </WideTable>
    </section>
  );
}

/** What was not as it was taken to be, and what would have told it. */
function WhatWasOtherwise({
  all,
  nameOf,
}: {
  readonly all: readonly Otherwise[];
  readonly nameOf: (dough: number) => string;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const values = (each: Otherwise) => ({
    by: 'byC' in each ? f.apart(each.byC, 0) : '',
    percent: 'percent' in each ? f.percent(each.percent, 0) : '',
    hours: 'hours' in each ? f.duration(60 * each.hours) : '',
    dough: 'dough' in each ? nameOf(each.dough) : '',
  });
  return (
    <section className={styles['after']}>
      <h2>{t('practice.evening.otherwise')}</h2>
      {all.length === 0 ? (
        <p>{t('practice.evening.asPlanned')}</p>
      ) : (
        <ul className={styles['otherwise']}>
          {all.map((each, i) => (
            <li key={String(i)}>
              <b>{t(`practice.otherwise.${each.kind}.is`, values(each))}</b>{' '}
              {t(`practice.otherwise.${each.kind}.tell`)}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
