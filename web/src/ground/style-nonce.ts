/** The nonce of this page, under which the content policy lets styles in. */
export const pageNonce = document.querySelector<HTMLMetaElement>('meta[name=csp-nonce]')?.content;

/**
 * Gives every style element that our own code makes the page's nonce. Some parts of the component library
 * (scroll locking, scroll bar measuring) make theirs without asking the theme for it.
 */
export function signStyles(): void {
  if (!pageNonce) return;
  const make = document.createElement.bind(document);
  document.createElement = ((name: string, options?: ElementCreationOptions) => {
    const element = make(name, options);
    if (name.toLowerCase() === 'style') element.setAttribute('nonce', pageNonce);
    return element;
  }) as typeof document.createElement;
}
