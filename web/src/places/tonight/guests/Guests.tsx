import type { Product, Service } from '@calm/contract';
import { MINUTE_MS } from '@calm/core';
import { serviceIdOf } from '@calm/domain';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { Choice } from '../../../parts/fields/Choice';
import { NumberField } from '../../../parts/fields/NumberField';
import { formatOdds } from '../../../parts/format/odds';
import { useFormats } from '../../../parts/format/useFormats';
import { Page } from '../../../parts/layout/Page';
import { Caution } from '../../../parts/messages/Caution';
import { Waiting } from '../../../parts/messages/Waiting';
import type { Board } from '../../../state/board/useBoard';
import { useCursor } from '../../../state/time/useCursor';
import { CountFor } from './CountFor';
import { GuestWayItem } from './GuestWayItem';
import { WithBoard } from '../WithBoard';
import styles from './Guests.module.css';
import type { Guests as Asked, GuestWays } from './guestWays';
import { SoldOut } from './SoldOut';
import { useGuests, type GuestAnswers } from './useGuests';

/** Balls that anybody asks for at once. */
const MOST = 5000;
const USUAL_MORE = 20;
const BALLS = { min: -MOST, max: MOST, decimals: 0 };
/** Services that can be asked about. */
const SERVICES = 8;

/** More guests than were counted on, or fewer: where balls come from, where they go, and what the days after lack. */
export function Guests() {
  return <WithBoard>{(board) => <OfHouse board={board} />}</WithBoard>;
}

function OfHouse({ board }: { readonly board: Board }) {
  const { t } = useTranslation();
  const f = useFormats();
  const { nowMs } = useCursor();
  const [params, setParams] = useSearchParams();
  const services = upcoming(board.services, nowMs);
  const serviceId = chosen(services, params.get('service'));
  const slug = params.get('product');
  const more = clamped(params.get('more'));
  const guests = useAsked(board, serviceId, slug, more);
  const latest = useGuests(board, guests);
  const set = (key: string, value: string) =>
    setParams(
      (before) => {
        before.set(key, value);
        return before;
      },
      { replace: true },
    );
  if (!guests)
    return (
      <Page title={t('guests.title')}>
        <p>{t('tonight.none')}</p>
      </Page>
    );
  const { service, product } = guests;
  const products = productsOf(board, service);
  const nameOf = (id: string) => {
    const of = services.find((each) => serviceIdOf(each) === id);
    return of ? `${of.name}, ${f.date(of.date)}` : '';
  };
  const count = service.counts.find(({ productId }) => productId === product.id);
  return (
    <Page title={t('guests.title')} lead={t('guests.lead')}>
      <div className={styles['fields']}>
        <Choice
          label={t('guests.service')}
          value={serviceIdOf(service)}
          values={services.map(serviceIdOf)}
          width={220}
          say={nameOf}
          onChange={(id) => set('service', id)}
        />
        <Choice
          label={t('guests.product')}
          value={product.slug}
          values={products.map(({ slug }) => slug)}
          say={(slug) => products.find((each) => each.slug === slug)?.name ?? ''}
          onChange={(slug) => set('product', slug)}
        />
        <div className={styles['number']}>
          <NumberField
            label={t('guests.more')}
            value={more}
            rule={BALLS}
            step={10}
            onCommit={(next) => set('more', String(next ?? 0))}
          />
        </div>
        {count && <CountFor board={board} guests={guests} count={count} />}
      </div>
      {more !== 0 && !latest && <Waiting />}
      {more !== 0 && latest && (
        <Ways board={board} asked={latest.question} answers={latest.answer} />
      )}
    </Page>
  );
}

/** What can be done, each way with what comes of it. */
function Ways({
  board,
  asked,
  answers,
}: {
  readonly board: Board;
  readonly asked: GuestWays;
  readonly answers: GuestAnswers;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { ways, missing, others, guests } = asked;
  const { product, service, more } = guests;
  return (
    <>
      {ways.map((way, i) => (
        <GuestWayItem
          key={way.taken.lot.code}
          board={board}
          guests={guests}
          way={way}
          answer={answers.ways[i]}
          isFirst={i === 0}
        />
      ))}
      {more < 0 && ways.length === 0 && <p>{t('guests.nothingStands')}</p>}
      {more > 0 && (
        <ul className={styles['besides']}>
          {missing > 0 && (
            <li>
              <b>{t('guests.missing', { count: missing })}</b>
            </li>
          )}
          <SameDay asked={asked} answers={answers} />
          {others.length > 0 && (
            <li>
              {t('guests.instead', {
                what: f.list(others.map((each) => `${f.count(each.balls)} ${each.product.name}`)),
              })}
            </li>
          )}
          <SoldOut house={board.house} product={product} service={service} more={more} />
        </ul>
      )}
      <DaysAfter board={board} asked={asked} />
      <Caution about="cold-room" />
    </>
  );
}

/** Dough that is begun now: with how much yeast, and how likely it opens well in time. */
function SameDay({
  asked: { sameDay, guests },
  answers: { dose },
}: {
  readonly asked: GuestWays;
  readonly answers: GuestAnswers;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  if (!sameDay || !dose?.ok) return <li>{t('guests.noSameDay')}</li>;
  const { bowlYeast, odds } = dose.value;
  return (
    <li>
      {t('guests.sameDay', {
        count: guests.more,
        percent: f.percent(bowlYeast.percent, 2),
        form: t(`ingredient.${bowlYeast.form} yeast`).toLowerCase(),
        odds: formatOdds(t, odds),
        at: f.time(sameDay.mixedMs + sameDay.document.peakHour * 3_600_000),
        work: f.duration(sameDay.workMin),
      })}
    </li>
  );
}

/** What services after it lack by what was lent, and whether dough begun now would be ready for them. */
function DaysAfter({ board, asked }: { readonly board: Board; readonly asked: GuestWays }) {
  const { t } = useTranslation();
  const f = useFormats();
  const lacks = asked.ways.flatMap(({ taken }) => taken.lacks);
  const { soonestMs } = asked;
  if (lacks.length === 0 || soonestMs === null) return null;
  const isInTime = ({ service }: (typeof lacks)[number]) =>
    Date.parse(service.endsAt) - soonestMs >= 15 * MINUTE_MS;
  return (
    <section aria-label={t('guests.after')}>
      <h2>{t('guests.after')}</h2>
      <p className="quiet">{t('guests.soonest', { at: f.moment(soonestMs) })}</p>
      <ul className={styles['besides']}>
        {lacks.map((each) => (
          <li key={serviceIdOf(each.service)}>
            {t(isInTime(each) ? 'guests.makeAgain' : 'guests.cannotMake', {
              service: `${each.service.name}, ${f.date(each.service.date)}`,
              count: each.balls,
            })}{' '}
            {isInTime(each) && <Link to={`/${board.house}/plan`}>{t('stops.plan')}</Link>}
          </li>
        ))}
      </ul>
    </section>
  );
}

const upcoming = (services: readonly Service[], nowMs: number): Service[] =>
  services
    .filter(({ endsAt, counts }) => Date.parse(endsAt) > nowMs && counts.some((c) => c.count > 0))
    .sort((a, b) => (a.startsAt < b.startsAt ? -1 : 1))
    .slice(0, SERVICES);

/** The service that the address names, else the next one; null where none wants anything. */
function chosen(services: readonly Service[], named: string | null): string | null {
  const ids = services.map(serviceIdOf);
  return ids.find((id) => id === named) ?? ids[0] ?? null;
}

/** Products that a service wants. */
const productsOf = ({ book }: Board, { counts }: Service): Product[] =>
  book.products.filter(({ id }) => counts.some((each) => each.productId === id && each.count > 0));

/** What is asked about; null where no service wants anything. */
function useAsked(
  board: Board,
  serviceId: string | null,
  slug: string | null,
  more: number,
): Asked | null {
  return useMemo(() => {
    const service = board.services.find((each) => serviceIdOf(each) === serviceId);
    if (!service) return null;
    const products = productsOf(board, service);
    const product = products.find((each) => each.slug === slug) ?? products[0];
    return product ? { service, product, more } : null;
  }, [board, serviceId, slug, more]);
}

/** What the address says, as far as it can be asked; the usual where it says nothing. */
function clamped(said: string | null): number {
  const more = said === null || said.trim() === '' ? USUAL_MORE : Math.round(Number(said));
  return Number.isFinite(more) ? Math.min(MOST, Math.max(-MOST, more)) : USUAL_MORE;
}
