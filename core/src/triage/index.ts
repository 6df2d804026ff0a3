export { affectedShare } from './affectedShare';
export { purposes, Triage, TriageInput, triage, triageTable } from './triage';
