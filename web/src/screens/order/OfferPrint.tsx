import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { MakingButton } from '../../ui/MakingButton.tsx';

/** The offer as PDF, on the paper of the region. */
export function OfferPrint({ projectId }: { readonly projectId: string }) {
  const { units } = useProject().project;
  const path = `/projects/${projectId}/documents/offer.pdf/job`;
  return <MakingButton label={text('order.offer.print')} path={path} query={{ paper: units === 'imperial' ? 'Letter' : 'A4' }} />;
}
