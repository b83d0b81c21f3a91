import i18next, { type i18n } from 'i18next';
import { en } from './en/index.ts';

export type Words = typeof en;

const instance: i18n = i18next.createInstance();
void instance.init({
  lng: 'en',
  fallbackLng: 'en',
  resources: { en: { translation: en } },
  interpolation: { escapeValue: false },
  initAsync: false,
});

/** The texts, ready for use outside React too. */
export const words: i18n = instance;
