import type { Lot } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { PhotoButton } from '../../parts/measures/PhotoButton';
import { useKeepPhoto } from '../../state/outbox/useKeepPhoto';

/** Takes a photo of the dough, or picks one: made small here, kept with the lot. */
export function TakePhoto({ house, lot }: { readonly house: string; readonly lot: Lot }) {
  const { t } = useTranslation();
  const { isBusy, keep } = useKeepPhoto(house, lot.id);
  return (
    <PhotoButton
      name={t(isBusy ? 'log.photo.busy' : 'log.photo.take')}
      isBusy={isBusy}
      onPhoto={(photo) => void keep(photo)}
    />
  );
}
