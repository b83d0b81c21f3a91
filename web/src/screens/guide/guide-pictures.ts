/** The pictures of the guide by their names, as the build made them; none where nothing is built. */
const FILES: Readonly<Record<string, string>> = import.meta.env
  ? import.meta.glob<string>(
      [
        '../../../../docs/screenshots/brief.png',
        '../../../../docs/screenshots/checks.png',
        '../../../../docs/screenshots/plan-cabling.png',
        '../../../../docs/screenshots/plan-devices.png',
        '../../../../docs/screenshots/pre-wire-phone.png',
        '../../../../docs/screenshots/survey.png',
      ],
      { eager: true, query: '?url', import: 'default' },
    )
  : {};

export const pictureOf = (name: string): string | undefined => FILES[`../../../../docs/screenshots/${name}`];
