import { type Operation, type ProjectDocument, type RateCard, updateProject } from '../model/index.ts';

type Rates = Omit<RateCard, 'id' | 'name' | 'kind'>;

/** The rates at which the project is priced now. */
export const ratesOf = ({ project }: Pick<ProjectDocument, 'project'>): Rates => ({
  ...{ labourRate: project.labourRate, marginPercent: project.priceSettings.marginPercent },
  ...{ outletPrice: project.outletPrice, windowPrice: project.windowPrice },
});

/** Whether the project is priced at the rates of a card. */
export const isApplied = (project: Pick<ProjectDocument, 'project'>, card: RateCard): boolean =>
  applyRateCard(project, card).length === 0;

/** Prices the project at the rates of a card; nothing where it is already. */
export function applyRateCard({ project }: Pick<ProjectDocument, 'project'>, card: RateCard): Operation[] {
  const { labourRate, marginPercent, outletPrice, windowPrice } = card;
  const priceSettings = { ...project.priceSettings, marginPercent };
  const operation = updateProject(project, { labourRate, outletPrice, windowPrice, priceSettings });
  return operation ? [operation] : [];
}
