import type { HouseBook, Service, Situation } from '@calm/contract';
import { situationOfEvening } from '@calm/domain';
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
import { Waiting } from '../../../../parts/messages/Waiting';
import { useChangeHouse } from '../../../../state/api/useChangeHouse';
import { usePastEvenings } from './usePastEvenings';

/** Adds an evening of the house's past to those that can be run. */
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
  const past = usePastEvenings(house, book);
  const kept = book.house.settings.situations ?? [];
  const titleOf = ({ date, name }: Service) => f.joined(f.fullDate(date), name);
  const offered = past?.flatMap((each): Situation[] => {
    const made = situationOfEvening(book, each, titleOf(each.service));
    return made && !kept.some(({ name }) => name === made.name) ? [made] : [];
  });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>{t('practice.evenings.add')}</DialogTitle>
      <DialogContent>
        <p>{t('practice.evenings.addAbout')}</p>
        {!offered && <Waiting />}
        {offered?.length === 0 && <p>{t('practice.evenings.noneToAdd')}</p>}
        <List component="div">
          {offered?.map((each) => (
            <ListItemButton key={each.name} onClick={() => keep({ situations: [...kept, each] })}>
              <ListItemText
                primary={each.title}
                secondary={t('practice.evenings.cameFor', {
                  share: f.percent(100 * each.guests, 0),
                })}
              />
            </ListItemButton>
          ))}
        </List>
        {kept.map(({ name, title = name }) => (
          <Button
            key={name}
            color="error"
            onClick={() => keep({ situations: kept.filter((each) => each.name !== name) })}
          >
            {t('practice.evenings.remove', { which: title })}
          </Button>
        ))}
        {wrong && <p role="alert">{wrong}</p>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('shell.close')}</Button>
      </DialogActions>
    </Dialog>
  );
}
