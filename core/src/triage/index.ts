export { affectedShare } from './affectedShare';
export { purposes } from './purposes';
export { Triage, TriageInput, type TriageReason, triage, triageTable } from './triage';
