export { affectedShare } from './affectedShare';
export { purposes, Triage, TriageInput, type TriageReason, triage, triageTable } from './triage';
