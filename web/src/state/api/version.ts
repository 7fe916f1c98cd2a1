import { VERSION_HEADER } from '@calm/contract';
import { KEPT_MARK } from '../../offline';

/*
 * Which version of the application this page is, and which the house serves. A build's first script carries a hash of
 * everything in its name: that name is the version.
 */

function ownVersion(): string {
  const script = document.querySelector<HTMLScriptElement>('script[type="module"][src]');
  return script?.src.split('/').at(-1) ?? '';
}

/** Whether an answer is one that the device had kept, as the house did not answer in time. */
export const isKept = (answer: Response | undefined): boolean =>
  answer?.headers.has(KEPT_MARK) === true;

/** Whether an answer of the house tells that it serves another version by now. */
export function isOfNewVersion(answer: Response | undefined): boolean {
  const served = answer?.headers.get(VERSION_HEADER) ?? '';
  if (served === '' || isKept(answer)) return false;
  const own = ownVersion();
  return own !== '' && served !== own;
}
