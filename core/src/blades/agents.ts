// What makes a blade clean, and how long must it stay wet?
import type { Confidence } from '../disorders/index';

export interface Agent {
  id: string;
  name: string;
  how: string;
  contactSeconds: number;
  caution: string;
  source: string;
  confidence: Confidence;
}

export const agents: readonly Agent[] = [
  {
    id: 'alcohol-70',
    name: 'Alcohol 70 %',
    how: 'Wipe the sap off, then wipe until wet.',
    contactSeconds: 30,
    caution: 'Flammable: no flame, no smoking, one litre at most in the kit. The label rules.',
    source: 'Rutala & Weber, CDC 2008 guideline for disinfection; time on sappy blades from common practice',
    confidence: 'high',
  },
  {
    id: 'hypochlorite-10',
    name: 'Bleach, 1 part + 9 parts water',
    how: 'Wipe the sap off, then dip.',
    contactSeconds: 60,
    caution:
      'Never mix with acid, ammonia or alcohol. Corrodes: rinse, dry and oil. Gloves and eye protection. The label rules.',
    source: 'extension practice; contact time remembered, unsure',
    confidence: 'low',
  },
];

export function agentOf(id: string): Agent {
  return agents.find((agent) => agent.id === id) ?? (agents[0] as Agent);
}
