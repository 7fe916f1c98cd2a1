import PhotoCameraOutlined from '@mui/icons-material/PhotoCameraOutlined';
import Button from '@mui/material/Button';
import type { Lot } from '@calm/contract';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNotices } from '../../parts/messages/Notices';
import { problemWords } from '../../parts/messages/problemWords';
import { useAddPhotoMutation } from './logApi';
import { smallJpeg } from './smallJpeg';

/** Takes a photo of the dough, or picks one: made small here, kept with the lot. */
export function TakePhoto({ house, lot }: { readonly house: string; readonly lot: Lot }) {
  const { t } = useTranslation();
  const { said, failed } = useNotices();
  const [add] = useAddPhotoMutation();
  const [isBusy, setBusy] = useState(false);
  const take = async (file: File) => {
    setBusy(true);
    try {
      const jpeg = await smallJpeg(file).catch(() => null);
      if (jpeg === null) return failed(t('log.photo.unreadable'));
      const photo = { id: crypto.randomUUID(), note: '', jpeg };
      await add({ house, lotId: lot.id, photo }).unwrap();
      said(t('log.photo.kept'));
    } catch (error) {
      failed(problemWords(t, error, t('log.photo.later')));
    } finally {
      setBusy(false);
    }
  };
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
          if (file) void take(file);
        }}
      />
    </Button>
  );
}
