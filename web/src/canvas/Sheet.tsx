import type { ComponentProps, CSSProperties, PointerEvent, ReactNode } from 'react';
import { leaveCursor } from './plan-cursor.ts';
import { PlanCursor } from './PlanCursor.tsx';
import { MARGIN_PX } from './picture.ts';
import type { CameraControl } from './useCamera.ts';
import css from './canvas.module.css';

const MARGIN = { '--margin': `${MARGIN_PX}px` } as CSSProperties;

interface Props extends Omit<ComponentProps<'div'>, 'ref' | 'role'> {
  readonly control: CameraControl;
  readonly children: ReactNode;
  /** Pictures of their own above the plan. */
  readonly dragged?: ReactNode;
}

/** A pointer that is moved by hand takes over from the cursor of the keys. */
const leadByPointer = (event: PointerEvent): void => {
  if (event.nativeEvent.isTrusted) leaveCursor();
};

/** The paper that a plan is drawn on: what is inside is given in metres, y up, and seen through the camera. */
export function Sheet({ control, className = '', children, dragged, ...rest }: Props) {
  const { sheet, picture, world } = control;
  return (
    <div
      ref={sheet}
      className={`${css.planCanvas} ${className}`}
      role="group"
      tabIndex={0}
      data-plan=""
      {...rest}
      onPointerMoveCapture={leadByPointer}
    >
      <svg ref={picture} className={css.picture} style={MARGIN}>
        <g ref={world} className={css.world}>
          {children}
          <PlanCursor />
        </g>
      </svg>
      {dragged}
    </div>
  );
}
