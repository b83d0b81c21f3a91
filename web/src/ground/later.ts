import { createElement, useEffect, useState, type ComponentType, type ReactNode } from 'react';

/**
 * A part of the app that is loaded when it is first shown. Unlike a suspended one, which is held back 300 ms once its
 * waiting text was seen, it appears as soon as it is there, and at once the next time.
 */
export function later<P extends object>(load: () => Promise<ComponentType<P>>, waiting: ReactNode = null): ComponentType<P> {
  let loaded: ComponentType<P> | undefined;
  return function Later(props: P) {
    const [part, setPart] = useState(() => loaded);
    useEffect(() => {
      if (part) return;
      load().then(
        (arrived) => {
          loaded = arrived;
          setPart(() => arrived);
        },
        // Thrown while rendering, so that it is told like any other fault of the screen.
        (fault: unknown) =>
          setPart(() => {
            throw fault;
          }),
      );
    }, [part]);
    return part ? createElement(part, props) : waiting;
  };
}
