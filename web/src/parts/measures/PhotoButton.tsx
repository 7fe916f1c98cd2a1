import PhotoCameraOutlined from '@mui/icons-material/PhotoCameraOutlined';
import Button from '@mui/material/Button';
import { useRef } from 'react';

/** Takes a photo with the device's camera, or picks one. */
export function PhotoButton({
  name,
  isBusy = false,
  onPhoto,
}: {
  readonly name: string;
  readonly isBusy?: boolean;
  readonly onPhoto: (photo: File) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button
        variant="outlined"
        size="large"
        startIcon={<PhotoCameraOutlined />}
        disabled={isBusy}
        onClick={() => input.current?.click()}
      >
        {name}
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file) onPhoto(file);
        }}
      />
    </>
  );
}
