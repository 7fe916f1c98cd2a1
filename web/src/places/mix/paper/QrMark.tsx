import QRCode from 'qrcode';

const QUIET_CELLS = 2;

/** A square code that leads a phone to an address. Drawn as a path: nothing is fetched. */
export function QrMark({ address, label }: { readonly address: string; readonly label: string }) {
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' });
  const { size } = modules;
  const dark: string[] = [];
  for (let y = 0; y < size; y += 1) {
    for (let x = 0; x < size; x += 1) {
      if (modules.get(y, x)) dark.push(`M${x} ${y}h1v1h-1z`);
    }
  }
  const whole = size + 2 * QUIET_CELLS;
  return (
    <svg
      viewBox={`${-QUIET_CELLS} ${-QUIET_CELLS} ${whole} ${whole}`}
      shapeRendering="crispEdges"
      role="img"
      aria-label={label}
    >
      <rect x={-QUIET_CELLS} y={-QUIET_CELLS} width={whole} height={whole} fill="#fff" />
      <path d={dark.join('')} fill="#000" />
    </svg>
  );
}
