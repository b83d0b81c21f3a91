import type { ReactNode } from 'react';
import { text } from '../../ground/text.ts';
import css from './sign-in.module.css';

/** The page in front of the app: the picture, the name, and what is asked here. */
export function Door({ children }: { readonly children: ReactNode }) {
  return (
    <main className="door">
      <div className={css.doorPicture} aria-hidden="true">
        <svg viewBox="0 0 420 520" preserveAspectRatio="xMidYMid slice">
          <g fill="none" strokeWidth={2.4}>
            {[0, 1, 2, 3, 4].map((i) => (
              <path
                key={i}
                className={`${css.doorStrand} s${i}`}
                d={`M-20 ${110 + i * 26}H${196 - i * 18}V${292 + i * 9}H${290 - Math.abs(i - 2) * 3}`}
              />
            ))}
            {[0, 1, 2, 3, 4, 5, 6].map((i) => (
              <circle key={i} cx={300} cy={310} r={24 + i * 10} className={i % 2 ? `${css.doorTurn} soft` : css.doorTurn} />
            ))}
            <circle cx={300} cy={310} r={12} className={css.doorCore} />
          </g>
        </svg>
      </div>
      <div className={css.doorCard}>
        <h1>{text('product')}</h1>
        {children}
        <p className="faint">{text('aid')}</p>
      </div>
    </main>
  );
}
