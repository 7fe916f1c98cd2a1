import type { Language } from '@calm/contract';

/** How units are written after a number. */
export interface UnitSymbols {
  readonly g: string;
  readonly kg: string;
  readonly oz: string;
  readonly lb: string;
  readonly c: string;
  readonly f: string;
  readonly h: string;
  readonly min: string;
  readonly l: string;
  readonly ml: string;
  readonly m: string;
  readonly cm: string;
  readonly kj: string;
  /** With what stands between it and its number. */
  readonly percent: string;
  readonly comma: string;
  readonly isRightToLeft: boolean;
}

/** SI symbols are the same in every language of the Latin script. */
const LATIN: UnitSymbols = {
  g: 'g',
  kg: 'kg',
  oz: 'oz',
  lb: 'lb',
  c: '°C',
  f: '°F',
  h: 'h',
  min: 'min',
  l: 'L',
  ml: 'mL',
  m: 'm',
  cm: 'cm',
  kj: 'kJ',
  percent: '\u00a0%',
  comma: ', ',
  isRightToLeft: false,
};

const ARABIC: UnitSymbols = {
  g: 'غ',
  kg: 'كغ',
  oz: 'أونصة',
  lb: 'رطل',
  c: '°م',
  f: '°ف',
  h: 'س',
  min: 'د',
  l: 'ل',
  ml: 'مل',
  m: 'م',
  cm: 'سم',
  kj: 'ك.ج',
  percent: '%\u200e',
  comma: '، ',
  isRightToLeft: true,
};

/** The units' symbols of a language. */
export const symbolsOf = (language: Language): UnitSymbols => (language === 'ar' ? ARABIC : LATIN);
