import sharp from 'sharp';

/** A small brown photo, with a position that its camera wrote into it. */
export const aJpeg = (): Promise<Buffer> =>
  sharp({ create: { width: 40, height: 30, channels: 3, background: '#aa5522' } })
    .withExif({
      IFD0: { Copyright: 'Lantern Yard' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' },
    })
    .jpeg()
    .toBuffer();
