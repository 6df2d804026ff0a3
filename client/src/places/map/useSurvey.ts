// What was tapped so far of a tree on its photos, and what core makes of it.
import { type LimbSurveyed, type Surveyed, surveyed } from '@mortisect/core/survey';
import { EYE_STARTS_CM, keepMapDraft, type SurveyDraft, useMapDrafts } from './mapDraft';

const NEW_SURVEY: SurveyDraft = {
  ...{ poleCm: 200, eyeCm: EYE_STARTS_CM, photos: [], stemTop: null, limbs: [] },
  ...{ taken: 0, simulatedOf: [] },
};

/** The page and its buttons ask for the same. */
const surveyedOf = new WeakMap<SurveyDraft, Surveyed>();

function surveyedOnce(draft: SurveyDraft): Surveyed {
  const known = surveyedOf.get(draft) ?? surveyed(draft);
  surveyedOf.set(draft, known);
  return known;
}

/** What was tapped so far of a tree, and what core makes of it. */
export function useSurvey(treeId: string): {
  draft: SurveyDraft;
  keep(draft: SurveyDraft): void;
  found: Surveyed;
  limbs: LimbSurveyed[];
} {
  const draft = useMapDrafts(({ surveys }) => surveys[treeId]) ?? NEW_SURVEY;
  const found = surveyedOnce(draft);
  return {
    draft,
    keep: (next) => keepMapDraft('surveys', treeId, next),
    found,
    limbs: found.limbs.flatMap((limb) => ('fault' in limb ? [] : [limb])),
  };
}
