import PhotoCameraOutlined from '@mui/icons-material/PhotoCameraOutlined';
import Button from '@mui/material/Button';
import type { Lot } from '@calm/contract';
import { useTranslation } from 'react-i18next';
import { useKeepPhoto } from '../../state/outbox/useKeepPhoto';

/** Takes a photo of the dough, or picks one: made small here, kept with the lot. */
export function TakePhoto({ house, lot }: { readonly house: string; readonly lot: Lot }) {
  const { t } = useTranslation();
  const { isBusy, keep } = useKeepPhoto(house, lot.id);
  return (
    <Button
      component="label"
      variant="outlined"
      size="large"
      startIcon={<PhotoCameraOutlined />}
      disabled={isBusy}
    >
      {t(isBusy ? 'log.photo.busy' : 'log.photo.take')}
      <input
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file) void keep(file);
        }}
      />
    </Button>
  );
}
