import type { Lot, NoteChange } from '@calm/contract';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../../parts/messages/Notices';
import { TwoSides } from '../../../parts/messages/TwoSides';
import { useDraft } from '../../../state/drafts/useDraft';
import { usePermission } from '../../../state/api/usePermission';
import { useWrite } from '../../../state/api/useWrite';
import { useChangeNoteMutation } from '../mixApi';

const MOST_CHARACTERS = 500;

/** A note pinned to the lot, for whoever comes next. */
export function LotNote({ house, lot }: { readonly house: string; readonly lot: Lot }) {
  const { t } = useTranslation();
  const { changed } = useNotices();
  const { draft, keep, drop } = useDraft<string>(`note/${house}/${lot.id}`);
  const [readVersion, setReadVersion] = useState(lot.version);
  const [change] = useChangeNoteMutation();
  const mayMake = usePermission('make');
  const send = (next: NoteChange) => change({ house, lotId: lot.id, change: next }).unwrap();
  const { write, stale, settle } = useWrite(send);
  const text = draft ?? lot.note;
  const isLong = text.length > MOST_CHARACTERS;

  const save = async (note: string, version: number) => {
    if (note === lot.note || note.length > MOST_CHARACTERS) return;
    const before = lot.note;
    const saved = await write({ note, version });
    if (!saved) return;
    drop();
    changed(t('mix.note.changed'), () => send({ note: before, version: saved.version }));
  };
  return (
    <section aria-label={t('mix.note.title')}>
      <TextField
        fullWidth
        multiline
        minRows={2}
        label={t('mix.note.title')}
        value={text}
        disabled={!mayMake}
        error={isLong}
        helperText={
          isLong
            ? t('mix.note.tooLong', { over: text.length - MOST_CHARACTERS })
            : t('mix.note.hint')
        }
        onFocus={() => setReadVersion(lot.version)}
        onChange={(event) => keep(event.target.value)}
        onBlur={() => void save(text, readVersion)}
      />
      {stale && (
        <TwoSides
          what={t('mix.note.what')}
          theirs={`“${stale.theirs.note}”`}
          mine={`“${stale.mine.note}”`}
          onKeepTheirs={() => {
            settle();
            drop();
          }}
          onUseMine={() => void save(stale.mine.note, stale.theirs.version)}
        />
      )}
    </section>
  );
}
