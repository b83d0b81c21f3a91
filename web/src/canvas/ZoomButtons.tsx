import { text } from '../ground/text.ts';
import { SmallButton } from '../ui/SmallButton.tsx';
import type { CameraControl } from './useCamera.ts';

const ZOOM_STEP = 1.4;

/** Nearer, farther, and all of it. */
export function ZoomButtons({ control, onFit }: { readonly control: CameraControl; readonly onFit: () => void }) {
  return (
    <>
      <SmallButton aria-label={text('plan.zoomIn')} onClick={() => control.zoomBy(ZOOM_STEP)}>
        +
      </SmallButton>
      <SmallButton aria-label={text('plan.zoomOut')} onClick={() => control.zoomBy(1 / ZOOM_STEP)}>
        −
      </SmallButton>
      <SmallButton onClick={onFit}>{text('plan.fit')}</SmallButton>
    </>
  );
}
