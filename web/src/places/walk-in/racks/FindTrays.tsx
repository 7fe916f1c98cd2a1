import QrCodeScanner from '@mui/icons-material/QrCodeScanner';
import IconButton from '@mui/material/IconButton';
import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ScanDialog } from './ScanDialog';
import { codeIn } from '../../../state/board/trayCode';

/** Trays by their label: its code typed, or its square read by the camera where there is one. */
export function FindTrays({ onFind }: { readonly onFind: (code: string) => void }) {
  const { t } = useTranslation();
  const [typed, setTyped] = useState('');
  const [isScanning, setScanning] = useState(false);
  const find = (text: string) => {
    onFind(codeIn(text));
    setTyped('');
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (typed.trim()) find(typed);
      }}
    >
      <TextField
        size="small"
        label={t('walkIn.find')}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        slotProps={{
          htmlInput: { maxLength: 300, autoCapitalize: 'characters' },
          input: {
            endAdornment: 'mediaDevices' in navigator && (
              <InputAdornment position="end">
                <IconButton
                  aria-label={t('walkIn.scan')}
                  aria-haspopup="dialog"
                  onClick={() => setScanning(true)}
                >
                  <QrCodeScanner />
                </IconButton>
              </InputAdornment>
            ),
          },
        }}
      />
      {isScanning && (
        <ScanDialog
          onRead={(text) => {
            setScanning(false);
            find(text);
          }}
          onClose={() => setScanning(false)}
        />
      )}
    </form>
  );
}
