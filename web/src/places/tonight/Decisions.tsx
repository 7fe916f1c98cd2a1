import type { BoardLot } from '@calm/domain';
import Button from '@mui/material/Button';
import { stageKey, type PlannedWork } from '@calm/core';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useFormats } from '../../parts/format/useFormats';
import { useCursor } from '../../state/time/useCursor';
import { useMark } from '../../state/outbox/useMark';
import { usePermission } from '../../state/api/usePermission';
import styles from './Balls.module.css';
import type { Decision } from './decisions';
import { usePull } from './usePull';

/** The few things that somebody has to decide: what is so, why it matters, and what can be done. */
export function Decisions({
  house,
  decisions,
}: {
  readonly house: string;
  readonly decisions: readonly Decision[];
}) {
  const { t } = useTranslation();
  if (decisions.length === 0) return null;
  return (
    <section aria-label={t('tonight.decide.title')}>
      <h2 className={styles['decideTitle']}>{t('tonight.decide.title')}</h2>
      <ul className={styles['decisions']}>
        {decisions.map((decision) => (
          <li key={decision.key}>
            <p>
              <Reason decision={decision} />
            </p>
            <Choices house={house} decision={decision} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What is so and what it means, in a sentence or two. */
function Reason({ decision }: { readonly decision: Decision }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { lot } = decision;
  const code = lot.lot ? lot.code : lot.recipe.formulaName;
  const say = (words: object) => {
    const all = { code, ...words };
    return (
      <>
        <b>{t(`tonight.decide.${decision.kind}.what`, all)}</b>{' '}
        {t(`tonight.decide.${decision.kind}.why`, all)}
      </>
    );
  };
  switch (decision.kind) {
    case 'pull-late': {
      const { balls, wave, lateMin } = decision;
      return say({
        product: balls.product.name,
        count: wave.trays,
        by: f.duration(lateMin),
        at: f.time(lot.doorsMs),
        warm: f.duration(Math.round(balls.temperMin)),
      });
    }
    case 'short':
      return say({
        product: decision.balls.product.name,
        count: Math.max(1, decision.missing),
        at: f.time(decision.byMs),
      });
    case 'past':
      return say({
        product: decision.balls.product.name,
        count: Math.round(decision.balls.standing.past),
      });
    case 'step-late':
      return say({
        work: t(`work.${decision.work.key}`),
        by: f.duration(decision.lateMin),
      });
    case 'nobody':
      return say({ work: t(`work.${decision.work.key}`), at: f.time(decision.work.startMs) });
    case 'moved': {
      const { shiftMin, windows } = decision;
      const now = windows.now;
      return say({
        by: f.duration(Math.abs(shiftMin)),
        way: t(shiftMin < 0 ? 'tonight.decide.earlier' : 'tonight.decide.later'),
        from: f.moment(now?.fromMs ?? 0),
        until: f.moment(now?.untilMs ?? 0),
      });
    }
    case 'too-few':
      return say({ count: decision.missing });
    case 'held': {
      const { name, aboveC, mostMin, minutes } = decision.held;
      return say({
        name,
        above: f.temperature(aboveC),
        most: f.duration(mostMin),
        by: f.duration(Math.round(minutes)),
      });
    }
  }
}

function Choices({ house, decision }: { readonly house: string; readonly decision: Decision }) {
  const { t } = useTranslation();
  const { isNow } = useCursor();
  const mayMark = usePermission('mark');
  const pull = usePull(house);
  const { lot } = decision;
  const sheet = `/${house}/mix/${lot.date}/${lot.product.slug}`;
  const link = (to: string, label: string) => (
    <Button component={Link} to={to} variant="outlined">
      {label}
    </Button>
  );
  switch (decision.kind) {
    case 'pull-late': {
      const { balls, wave } = decision;
      return isNow && mayMark ? (
        <Button variant="contained" onClick={() => pull(lot, balls, wave)}>
          {t('tonight.pull.do', { count: wave.trays, balls: wave.balls })}
        </Button>
      ) : null;
    }
    case 'short':
    case 'too-few':
      return (
        <>
          {link(`/${house}/demand?days=2`, t('tonight.decide.fewer'))}
          {link(`/${house}/plan`, t('tonight.decide.more'))}
        </>
      );
    case 'past':
      return link(`/${house}/log/${lot.lot?.id ?? ''}`, t('tonight.decide.leftovers'));
    case 'step-late':
      return (
        <>
          {isNow && mayMark && lot.lot && <Done house={house} lot={lot} work={decision.work} />}
          {link(sheet, t('tonight.openSheet'))}
        </>
      );
    case 'nobody':
      return (
        <>
          {link(`/${house}/plan`, t('tonight.decide.settle'))}
          {link(`/${house}/crew`, t('tonight.decide.callIn'))}
        </>
      );
    case 'held':
      return link(`/${house}/log/${lot.lot?.id ?? ''}`, t('tonight.decide.leftovers'));
    case 'moved':
      return link(sheet, t('tonight.openSheet'));
  }
}

function Done({
  house,
  lot,
  work,
}: {
  readonly house: string;
  readonly lot: BoardLot;
  readonly work: PlannedWork;
}) {
  const { t } = useTranslation();
  const title = t(`work.${work.key}`);
  const tick = useMark(house, lot.lot, 0, stageKey(work), title);
  return (
    <Button variant="contained" onClick={() => tick.toggle(true)}>
      {t('tonight.decide.itIsDone')}
    </Button>
  );
}
