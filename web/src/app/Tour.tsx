import { Button, Tour as TourSteps } from 'antd';
import { useEffect, useState } from 'react';
import { text } from '../ground/text.ts';
import { useTour } from '../state/tour.ts';
import { useSettings } from '../state/settings.ts';
import css from './app.module.css';

/** What is shown, in the order in which it is used. */
const STOPS = [
  ['stages', 'nav ol'],
  ['plan', '[data-plan]'],
  ['panel', '.inspector'],
  ['find', '#finder'],
  ['findings', 'header [aria-expanded]'],
  ['help', 'header a[href^="/guide"]'],
] as const;

/** A short tour of the screen, offered once where a house is empty; it can be left at any time. */
export function Tour({ isEmpty }: { readonly isEmpty: boolean }) {
  const { tourSeen, set } = useSettings();
  const { isOn, start } = useTour();
  const [stop, setStop] = useState(0);
  const end = () => {
    useTour.setState({ isOn: false });
    setStop(0);
    set({ tourSeen: true });
  };
  useEffect(() => () => useTour.setState({ isOn: false }), []);
  // What the screen of this stage has not, or what a phone hides, is left out.
  const stops = STOPS.filter(([, selector]) => isOn && document.querySelector(selector)?.getClientRects().length);
  return (
    <>
      {isEmpty && !tourSeen && !isOn && (
        <section className={css.tourOffer} aria-label={text('tour.title')}>
          <span>{text('tour.offer')}</span>
          <Button size="small" type="primary" onClick={start}>
            {text('tour.start')}
          </Button>
          <Button size="small" onClick={end}>
            {text('tour.skip')}
          </Button>
        </section>
      )}
      {isOn && (
        <TourSteps
          open
          current={stop}
          onChange={setStop}
          onClose={end}
          onFinish={end}
          steps={stops.map(([name, selector]) => ({
            title: text(`tour.stops.${name}.title`),
            description: text(`tour.stops.${name}.text`),
            // The plan is the middle of the screen: the words stand in it.
            target: name === 'plan' ? null : () => document.querySelector<HTMLElement>(selector)!,
            prevButtonProps: { children: text('tour.back') },
            nextButtonProps: { children: text(name === stops.at(-1)?.[0] ? 'tour.end' : 'tour.next') },
          }))}
        />
      )}
    </>
  );
}
