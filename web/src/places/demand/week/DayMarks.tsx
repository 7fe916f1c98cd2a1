import type {
  Booking,
  HouseCalendar,
  HouseEvent,
  Product,
  Service,
  ServiceException,
} from '@calm/contract';
import { weekdayIndex } from '@calm/core';
import { isExceptionOn } from '@calm/domain';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { useFormats } from '../../../parts/format/useFormats';
import { BookingDialog } from './BookingDialog';
import styles from './Demand.module.css';
import { EventDialog } from './EventDialog';
import { OrderDialog } from './OrderDialog';
import { orderOf, type KeptOrder } from './useOrders';
import { ExceptionDialog } from './ExceptionDialog';

type Open =
  | { readonly kind: 'event'; readonly of: HouseEvent | null }
  | { readonly kind: 'booking'; readonly of: Booking | null }
  | { readonly kind: 'order'; readonly of: KeptOrder }
  | { readonly kind: 'exception'; readonly of: ServiceException | null };

/** What makes a day another than its weekday: events, parties, other hours; each to be changed. */
export function DayMarks({
  date,
  isAhead,
  services,
  products,
  events,
  bookings,
  calendar,
}: {
  readonly date: string;
  /** Only what is ahead can still be marked. */
  readonly isAhead: boolean;
  readonly services: readonly Service[];
  readonly products: readonly Product[];
  readonly events: readonly HouseEvent[];
  readonly bookings: readonly Booking[];
  readonly calendar: HouseCalendar | undefined;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [open, setOpen] = useState<Open | null>(null);
  const patterns = (calendar?.patterns ?? []).filter(
    ({ weekday }) => weekday === weekdayIndex(date) + 1,
  );
  const exceptions = (calendar?.exceptions ?? []).filter((each) => isExceptionOn(each, date));
  const close = () => setOpen(null);
  const mark = (kind: Exclude<Open['kind'], 'order'>, words: string) => (
    <EditOnly>
      <button
        type="button"
        aria-label={t('demand.markOn', { what: words, date: f.date(date) })}
        aria-haspopup="dialog"
        onClick={() => setOpen({ kind, of: null })}
      >
        {words}
      </button>
    </EditOnly>
  );
  return (
    <span className={styles['events']}>
      {events.map((event) => (
        <button
          key={event.id}
          type="button"
          data-event
          aria-haspopup="dialog"
          onClick={() => setOpen({ kind: 'event', of: event })}
        >
          {event.name} {f.percent(event.expectedPercent, 0)}
        </button>
      ))}
      {bookings.map((booking) => {
        const order = calendar && orderOf(booking, calendar);
        return (
          <EditOnly key={booking.id}>
            <button
              type="button"
              data-event
              aria-haspopup="dialog"
              onClick={() =>
                setOpen(order ? { kind: 'order', of: order } : { kind: 'booking', of: booking })
              }
            >
              {order
                ? t('demand.order.mark', { name: booking.name })
                : `${booking.name}, ${t('demand.booking.says', { count: booking.guests })}`}
            </button>
          </EditOnly>
        );
      })}
      {exceptions.map((exception) => (
        <EditOnly key={exception.id}>
          <button
            type="button"
            data-event
            aria-haspopup="dialog"
            onClick={() => setOpen({ kind: 'exception', of: exception })}
          >
            {formatExceptionMessage(exception)}
          </button>
        </EditOnly>
      ))}
      {isAhead && services.length > 0 && mark('event', t('demand.event.mark'))}
      {isAhead && services.length > 0 && mark('booking', t('demand.booking.mark'))}
      {isAhead && patterns.length > 0 && mark('exception', t('demand.exception.mark'))}
      {open?.kind === 'event' && (
        <EventDialog date={date} services={services} event={open.of} onClose={close} />
      )}
      {open?.kind === 'booking' && (
        <BookingDialog {...{ date, services, products }} booking={open.of} onClose={close} />
      )}
      {open?.kind === 'order' && (
        <OrderDialog date={date} kept={open.of} products={products} onClose={close} />
      )}
      {open?.kind === 'exception' && (
        <ExceptionDialog
          date={date}
          patterns={calendar?.patterns ?? []}
          exception={open.of}
          onClose={close}
        />
      )}
    </span>
  );

  function formatExceptionMessage({ patternId, joinsId, hours, note }: ServiceException): string {
    const nameOf = (of: string | null) => patterns.find(({ id }) => id === of)?.name;
    const name = nameOf(patternId) ?? t('demand.event.wholeDay');
    const words = joinsId
      ? t('demand.exception.isOneWith', { name, other: nameOf(joinsId) })
      : t(hours ? 'demand.exception.otherHours' : 'demand.exception.isClosed', { name });
    return note ? `${words}: ${note}` : words;
  }
}
