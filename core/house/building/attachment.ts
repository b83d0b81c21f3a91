import type { MountName } from '../../model/index.ts';

/** What a device hangs on or stands in, as far as its cable is concerned. */
export type Attachment = 'wall' | 'ceiling' | 'floor' | 'free';

const ATTACHMENT: Readonly<Record<MountName, Attachment>> = {
  ceiling: 'ceiling',
  soffit: 'ceiling',
  wall: 'wall',
  surface: 'wall',
  floor: 'floor',
  stand: 'free',
  mast: 'free',
  rack: 'free',
  joinery: 'free',
  ground: 'free',
};

export const attachmentOf = ({ mount }: { readonly mount: MountName }): Attachment => ATTACHMENT[mount];
