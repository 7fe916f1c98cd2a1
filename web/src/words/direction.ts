/** Which way a language is written. */
export const directionOf = (language: string): 'ltr' | 'rtl' => (language === 'ar' ? 'rtl' : 'ltr');
