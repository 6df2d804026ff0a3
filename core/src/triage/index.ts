export { affectedShare } from './affectedShare';
export { type Purpose, purposes, Triage, TriageInput, triage, triageTable } from './triage';
