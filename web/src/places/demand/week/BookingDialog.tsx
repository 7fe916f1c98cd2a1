import TextField from '@mui/material/TextField';
import type { Booking, BookingContent, Product, Service } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../../parts/fields/Choice';
import { useFormats } from '../../../parts/format/useFormats';
import { LabelledCell } from '../../../parts/fields/LabelledCell';
import { BALLS } from '../../../parts/fields/readNumber';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { useHouse } from '../../../state/board/useBoard';
import { plainContent, useRecordEditor } from '../../../state/drafts/useRecordEditor';
import styles from './Demand.module.css';
import {
  useAddBookingMutation,
  useChangeBookingMutation,
  useRemoveBookingMutation,
} from '../demandApi';

const GUESTS = { min: 1, max: 5000, decimals: 0 };

/** A party that comes on top of an ordinary service, and what it takes. */
export function BookingDialog({
  date,
  services,
  products,
  booking,
  onClose,
}: {
  readonly date: string;
  readonly services: readonly Service[];
  readonly products: readonly Product[];
  /** Null notes a new one. */
  readonly booking: Booking | null;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [add] = useAddBookingMutation();
  const [change] = useChangeBookingMutation();
  const [remove] = useRemoveBookingMutation();
  const { content, put, keep, takeOut, leave, wrong, isRestored } = useRecordEditor<
    BookingContent,
    Booking
  >({
    house: useHouse(),
    record: booking,
    contentOf: plainContent,
    of: 'party',
    start: () => ({
      date,
      patternId: services.at(-1)?.patternId ?? '',
      name: '',
      guests: 10,
      balls: [],
      note: '',
    }),
    writes: { add, change, remove },
    say: {
      kept: ({ name }) => t('demand.booking.kept', { name }),
      removed: ({ name }) => t('demand.booking.removed', { name }),
    },
    onClose,
  });
  const putBalls = (productId: string, count: number) =>
    put({
      balls: [
        ...content.balls.filter((each) => each.productId !== productId),
        ...(count > 0 ? [{ productId, count }] : []),
      ],
    });
  return (
    <RecordDialog
      title={t('demand.booking.title', { date: f.date(date) })}
      wrong={wrong}
      onKeep={() => keep({ ...content, name: content.name.trim() })}
      onRemove={booking ? takeOut : undefined}
      isRestored={isRestored}
      onClose={leave}
    >
      <TextField
        autoFocus
        required
        size="small"
        label={t('demand.booking.name')}
        value={content.name}
        onChange={(typed) => put({ name: typed.target.value })}
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
      <Choice
        label={t('demand.booking.at')}
        width="100%"
        value={content.patternId}
        values={services.map(({ patternId }) => patternId)}
        say={(id) => services.find(({ patternId }) => patternId === id)?.name ?? ''}
        onChange={(patternId) => put({ patternId })}
      />
      <LabelledCell
        name={t('demand.booking.guests')}
        unit=""
        value={content.guests}
        rule={GUESTS}
        step={1}
        onCommit={(guests) => put({ guests })}
      />
      <p className="quiet small">{t('demand.booking.balls')}</p>
      <div className={styles['pairs']}>
        {products.map(({ id, name }) => (
          <LabelledCell
            key={id}
            name={name}
            label={t('demand.booking.ballsOf', { product: name })}
            unit=""
            value={content.balls.find(({ productId }) => productId === id)?.count ?? 0}
            rule={BALLS}
            step={1}
            onCommit={(count) => putBalls(id, count)}
          />
        ))}
      </div>
      <TextField
        size="small"
        label={t('record.note')}
        value={content.note}
        onChange={(typed) => put({ note: typed.target.value })}
        slotProps={{ htmlInput: { maxLength: 300 } }}
      />
    </RecordDialog>
  );
}
