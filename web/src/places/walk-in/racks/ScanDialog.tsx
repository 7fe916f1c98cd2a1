import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type readSquare from 'jsqr';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import styles from './WalkIn.module.css';

/** Pictures that are looked at in a second. */
const EVERY_MS = 200;

/** Looks through the camera until it reads a label's square. */
export function ScanDialog({
  onRead,
  onClose,
}: {
  readonly onRead: (text: string) => void;
  readonly onClose: () => void;
}) {
  const { t } = useTranslation();
  const [isDenied, setDenied] = useState(false);
  const video = useRef<HTMLVideoElement>(null);
  const read = useRef(onRead);
  useEffect(() => {
    read.current = onRead;
  }, [onRead]);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let isOver = false;
    const canvas = document.createElement('canvas');
    let reader: typeof readSquare | null = null;
    // What reads squares is large, and few open the camera.
    void import('jsqr').then((module) => (reader = module.default));
    const begin = async () => {
      stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
      if (isOver || !video.current) return stop(stream);
      video.current.srcObject = stream;
      await video.current.play();
    };
    begin().catch(() => setDenied(true));
    const timer = setInterval(() => {
      const from = video.current;
      if (!from || from.videoWidth === 0 || !reader) return;
      const text = squareIn(reader, from, canvas);
      if (text) read.current(text);
    }, EVERY_MS);
    return () => {
      isOver = true;
      clearInterval(timer);
      if (stream) stop(stream);
    };
  }, []);
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>{t('walkIn.scanTitle')}</DialogTitle>
      <DialogContent>
        {isDenied ? (
          <p role="alert">{t('walkIn.scanDenied')}</p>
        ) : (
          <video ref={video} className={styles['camera']} muted playsInline />
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{t('record.cancel')}</Button>
      </DialogActions>
    </Dialog>
  );
}

function stop(stream: MediaStream): void {
  for (const track of stream.getTracks()) track.stop();
}

function squareIn(
  read: typeof readSquare,
  video: HTMLVideoElement,
  canvas: HTMLCanvasElement,
): string | null {
  canvas.width = video.videoWidth;
  canvas.height = video.videoHeight;
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return null;
  context.drawImage(video, 0, 0);
  const { data, width, height } = context.getImageData(0, 0, canvas.width, canvas.height);
  return read(data, width, height)?.data || null;
}
