import type { ComponentProps } from 'react';

/**
 * A small button of the frame and the sheet. It is a plain one, because these stand in the first picture of a house, and
 * those of the library cost a tenth of a second to style there.
 */
export function SmallButton({ bare = false, className = '', ...rest }: ComponentProps<'button'> & { readonly bare?: boolean }) {
  return <button type="button" className={`small-button${bare ? ' bare' : ''} ${className}`} {...rest} />;
}
