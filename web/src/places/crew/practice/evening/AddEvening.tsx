import type { HouseBook, Service } from '@calm/contract';
import { situationOfEvening, weekOfEvenings, type PastEvening } from '@calm/domain';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import List from '@mui/material/List';
import ListItemButton from '@mui/material/ListItemButton';
import ListItemText from '@mui/material/ListItemText';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../../parts/format/useFormats';
import { problemWords } from '../../../../parts/messages/problemWords';
import { Waiting } from '../../../../parts/messages/Waiting';
import { useChangeHouse } from '../../../../state/api/useChangeHouse';
import { useAsItWent } from './useAsItWent';
import { usePastEvenings } from './usePastEvenings';

/** Adds an evening of the house's past to those that can be run, or several in a row. */
export function AddEvening({ house, book }: { readonly house: string; readonly book: HouseBook }) {
  const { t } = useTranslation();
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <Button variant="outlined" onClick={() => setOpen(true)}>
        {t('practice.evenings.add')}
      </Button>
      {isOpen && <PastEvenings house={house} book={book} onClose={() => setOpen(false)} />}
    </>
  );
}

/** Days of evenings that are run one after the other. */
const ROW_DAYS = 7;

function PastEvenings({
  house,
  book,
  onClose,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { wrong, keep } = useChangeHouse(book.house, onClose);
  const asItWent = useAsItWent(house, book);
  const [reading, setReading] = useState<'reading' | { readonly failed: string } | null>(null);
  const past = usePastEvenings(house, book);
  const { situations = [], weeks = [] } = book.house.settings;
  const titleOf = ({ service: { date, name } }: Pick<PastEvening, 'service'>) =>
    f.joined(f.fullDate(date), name);
  const offered = past?.flatMap((evening) => {
    const made = situationOfEvening(book, evening, titleOf(evening));
    return made ? [{ evening, made }] : [];
  });
  const isKept = (name: string) => situations.some((each) => each.name === name);
  const evenings = offered?.filter(({ made }) => !isKept(made.name));
  const rows = rowsOf((offered ?? []).map(({ evening }) => evening)).flatMap((row) => {
    const title = t('practice.evenings.inARow', {
      service: row.name,
      from: f.fullDate(row.evenings[0]?.service.date ?? ''),
    });
    const made = weekOfEvenings(book, row.evenings, titleOf, title);
    return made && !weeks.some(({ name }) => name === made.name) ? [{ ...row, title }] : [];
  });
  /** Reads how they went, and adds them. */
  const add = async (some: readonly PastEvening[], then: (went: PastEvening[]) => void) => {
    setReading('reading');
    try {
      then(await Promise.all(some.map(asItWent)));
    } catch (error) {
      setReading({ failed: problemWords(t, error) });
    }
  };
  const addOne = ([went]: readonly PastEvening[]) => {
    const made = went && situationOfEvening(book, went, titleOf(went));
    if (made) keep({ situations: [...situations, made] });
  };
  const addRow = (went: readonly PastEvening[], title: string) => {
    const made = weekOfEvenings(book, went, titleOf, title);
    if (made) keep({ weeks: [...weeks, made] });
  };
  const failed = reading !== null && reading !== 'reading' ? reading.failed : null;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>{t('practice.evenings.add')}</DialogTitle>
      <DialogContent>
        <p>{t('practice.evenings.addAbout')}</p>
        {(!evenings || reading === 'reading') && <Waiting />}
        {evenings?.length === 0 && <p>{t('practice.evenings.noneToAdd')}</p>}
        <List component="div">
          {rows.map(({ name, title, evenings: inRow }) => (
            <ListItemButton
              key={name}
              disabled={reading === 'reading'}
              onClick={() => void add(inRow, (went) => addRow(went, title))}
            >
              <ListItemText
                primary={title}
                secondary={t('practice.evenings.inARowAbout', { count: f.count(inRow.length) })}
              />
            </ListItemButton>
          ))}
          {evenings?.map(({ evening, made }) => (
            <ListItemButton
              key={made.name}
              disabled={reading === 'reading'}
              onClick={() => void add([evening], addOne)}
            >
              <ListItemText
                primary={made.title}
                secondary={t('practice.evenings.cameFor', {
                  share: f.percent(100 * made.guests, 0),
                })}
              />
            </ListItemButton>
          ))}
        </List>
        {situations.map(({ name, title = name }) => (
          <Button
            key={name}
            color="error"
            onClick={() => keep({ situations: situations.filter((each) => each.name !== name) })}
          >
            {t('practice.evenings.remove', { which: title })}
          </Button>
        ))}
        {weeks.map(({ name, title = name }) => (
          <Button
            key={name}
            color="error"
            onClick={() => keep({ weeks: weeks.filter((each) => each.name !== name) })}
          >
            {t('practice.evenings.remove', { which: title })}
          </Button>
        ))}
        {(failed ?? wrong) && <p role="alert">{failed ?? wrong}</p>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('shell.close')}</Button>
      </DialogActions>
    </Dialog>
  );
}

/** The last evenings of each service within a week of each other, in time's order. @param past the last one first */
function rowsOf(past: readonly PastEvening[]) {
  const names = [...new Set(past.map(({ service }) => service.name))];
  return names.map((name) => {
    const own = past.filter(({ service }) => service.name === name);
    const lastMs = startOf(own[0]?.service);
    const within = own.filter(({ service }) => lastMs - startOf(service) < ROW_DAYS * DAY_MS);
    return { name, evenings: within.reverse() };
  });
}

const DAY_MS = 24 * 3_600_000;
const startOf = (service: Service | undefined): number => Date.parse(service?.startsAt ?? '');
