import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { HouseStartFields, likelyStart } from '../../../parts/house/HouseStartFields';
import { useFormats } from '../../../parts/format/useFormats';
import { RecordDialog } from '../../../parts/layout/RecordDialog';
import { problemWords } from '../../../parts/messages/problemWords';
import { useHouse } from '../../../state/board/useBoard';
import { useStartHouseMutation } from '../houseApi';

/** Another house of the same manager. */
export function NewHouseDialog({ onClose }: { readonly onClose: () => void }) {
  const { t } = useTranslation();
  const house = useHouse();
  const navigate = useNavigate();
  const f = useFormats();
  const [begin] = useStartHouseMutation();
  const [{ country, start }, setLikely] = useState(() => likelyStart(f.preferences));
  const [wrong, setWrong] = useState<string | null>(null);
  const keep = async () => {
    try {
      const { slug } = await begin({
        house,
        start: { ...start, name: start.name.trim() },
      }).unwrap();
      void navigate(`/${slug}/house`);
    } catch (error) {
      setWrong(problemWords(t, error));
    }
  };
  return (
    <RecordDialog
      title={t('house.houses.add')}
      width="sm"
      wrong={wrong}
      onKeep={() => void keep()}
      onClose={onClose}
    >
      <HouseStartFields
        start={start}
        firstCountry={country}
        onChange={(to) => setLikely((was) => ({ ...was, start: { ...was.start, ...to } }))}
      />
    </RecordDialog>
  );
}
