import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import type { EventContent, HouseEvent, Service } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Choice } from '../../parts/Choice';
import { useFormats } from '../../parts/format';
import { LabelledCell } from '../../parts/LabelledCell';
import { useNotices } from '../../parts/Notices';
import { problemOf } from '../../state/api';
import { useHouse } from '../../state/useBoard';
import styles from './Demand.module.css';
import { useAddEventMutation, useChangeEventMutation, useRemoveEventMutation } from './demandApi';

/** What is on that day, each to be changed; and a place to mark something. */
export function EventMarks({
  date,
  services,
  events,
}: {
  readonly date: string;
  readonly services: readonly Service[];
  readonly events: readonly HouseEvent[];
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [open, setOpen] = useState<HouseEvent | 'new' | null>(null);
  return (
    <span className={styles['events']}>
      {events.map((event) => (
        <button key={event.id} type="button" data-event onClick={() => setOpen(event)}>
          {event.name} {f.percent(event.expectedPercent, 0)}
        </button>
      ))}
      {services.length > 0 && (
        <button
          type="button"
          aria-label={t('demand.event.markOn', { date: f.date(date) })}
          onClick={() => setOpen('new')}
        >
          {t('demand.event.mark')}
        </button>
      )}
      {open && (
        <EventDialog
          date={date}
          services={services}
          event={open === 'new' ? null : open}
          onClose={() => setOpen(null)}
        />
      )}
    </span>
  );
}

const EXPECTED = { min: 5, max: 500, decimals: 0 };
const WHOLE_DAY = 'day';

function EventDialog({
  date,
  services,
  event,
  onClose,
}: {
  readonly date: string;
  readonly services: readonly Service[];
  readonly event: HouseEvent | null;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { keep, remove, wrong } = useKeeping(event, onClose);
  const [content, setContent] = useState<EventContent>(() =>
    event ? contentOf(event) : { date, patternId: null, name: '', expectedPercent: 130, note: '' },
  );
  const put = (to: Partial<EventContent>) => setContent((before) => ({ ...before, ...to }));
  const sayService = (id: string) =>
    services.find(({ patternId }) => patternId === id)?.name ?? t('demand.event.wholeDay');
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <form
        onSubmit={(submit) => {
          submit.preventDefault();
          void keep({ ...content, name: content.name.trim() });
        }}
      >
        <DialogTitle>{t('demand.event.title', { date: f.date(date) })}</DialogTitle>
        <DialogContent className={styles['form'] ?? ''}>
          <TextField
            autoFocus
            required
            size="small"
            label={t('demand.event.name')}
            helperText={t('demand.event.nameHow')}
            value={content.name}
            onChange={(change) => put({ name: change.target.value })}
            slotProps={{ htmlInput: { maxLength: 80 } }}
          />
          <Choice
            label={t('demand.event.when')}
            width="100%"
            value={content.patternId ?? WHOLE_DAY}
            values={[WHOLE_DAY, ...services.map(({ patternId }) => patternId)]}
            say={sayService}
            onChange={(id) => put({ patternId: id === WHOLE_DAY ? null : id })}
          />
          <LabelledCell
            name={t('demand.event.expected')}
            unit="%"
            value={content.expectedPercent}
            rule={EXPECTED}
            step={5}
            onCommit={(expectedPercent) => put({ expectedPercent })}
          />
          <TextField
            size="small"
            label={t('demand.event.note')}
            value={content.note}
            onChange={(change) => put({ note: change.target.value })}
            slotProps={{ htmlInput: { maxLength: 300 } }}
          />
          {wrong && <p role="alert">{wrong}</p>}
        </DialogContent>
        <DialogActions>
          {event && (
            <Button color="error" onClick={() => void remove()}>
              {t('demand.event.remove')}
            </Button>
          )}
          <Button onClick={onClose}>{t('demand.event.cancel')}</Button>
          <Button type="submit" variant="contained">
            {t('demand.event.keep')}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

const contentOf = ({ id: _i, version: _v, ...content }: HouseEvent): EventContent => content;

/** Adding, changing and taking away, each with its way back. */
function useKeeping(event: HouseEvent | null, onClose: () => void) {
  const { t } = useTranslation();
  const house = useHouse();
  const { changed } = useNotices();
  const [add] = useAddEventMutation();
  const [change] = useChangeEventMutation();
  const [drop] = useRemoveEventMutation();
  const [wrong, setWrong] = useState<string | null>(null);
  const tried = async (work: () => Promise<void>) => {
    try {
      await work();
      onClose();
    } catch (error) {
      setWrong(problemOf(error)?.detail ?? t('errors.notSaved'));
    }
  };
  const keep = (content: EventContent) =>
    tried(async () => {
      const kept = event
        ? await change({
            house,
            id: event.id,
            change: { version: event.version, content },
          }).unwrap()
        : await add({ house, content }).unwrap();
      changed(t('demand.event.kept', { name: kept.name }), () =>
        event
          ? change({
              house,
              id: event.id,
              change: { version: kept.version, content: contentOf(event) },
            }).unwrap()
          : drop({ house, id: kept.id }).unwrap(),
      );
    });
  const remove = () =>
    tried(async () => {
      if (!event) return;
      await drop({ house, id: event.id }).unwrap();
      changed(t('demand.event.removed', { name: event.name }), () =>
        add({ house, content: contentOf(event) }).unwrap(),
      );
    });
  return { keep, remove, wrong };
}
