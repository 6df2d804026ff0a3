// Agents with their evidence, what a skipped cleaning is reckoned to cost, and where wood goes.

import { DEBRIS_ROUTE_WORDS, debrisRoutes, SCHOOLS_ON_BURNING } from '@mortisect/core/aftercare';
import { agents, situations, transmissionChance } from '@mortisect/core/blades';
import { upperFirst } from '@mortisect/core/measure';
import { lowerFirst } from '@mortisect/core/tree';
import { View } from '@tamagui/core';
import { Body, Label, Section, Small } from '../../ui/type';
import { AgentFacts } from '../AgentFacts';

export function CleaningReference() {
  return (
    <>
      <Section>What makes a blade clean</Section>
      <Body>
        Wipe the sap off, disinfect, keep it wet for its time, rinse bleach and phosphate off, dry, oil.
        Dormant wood cut well clear of the edge gains little from it; an ooze-wet blade into a green shoot
        gains all.
      </Body>
      {agents.map((agent) => (
        <View key={agent.id} gap={4}>
          <Label fontSize="$19">
            {agent.name}: {agent.disinfects ? `${agent.contactSeconds} s wet` : 'does not disinfect'}
          </Label>
          <AgentFacts agent={agent} />
        </View>
      ))}
      <Section>What skipping a cleaning costs</Section>
      <Body>
        A blade that met disease carries it on until it is cleaned; a cleaning leaves 1 − efficacy of it. New
        infections of a run: the sum over its cuts of (chance that the blade carries it) × (chance below). At
        least one: 1 − e to the minus that sum.
      </Body>
      {situations.map((situation) => {
        const [low, middle, high] = transmissionChance(situation);
        return (
          <Small key={situation}>{`${upperFirst(situation)}: ${middle} a cut, ${low} to ${high}.`}</Small>
        );
      })}
      <Small>
        Ranges of extension texts, remembered, unsure; direction: Teviotdale et al. 1991. Dead wood of unknown
        cause is taken as ill one time in five: ours, no source.
      </Small>
      <Section>Where the wood goes</Section>
      <Body>{`${debrisRoutes.map((route) => upperFirst(DEBRIS_ROUTE_WORDS[route])).join(' · ')}: by the disorder and the rule of the site.`}</Body>
      {SCHOOLS_ON_BURNING.map(({ school, says }) => (
        <Small key={school}>{`${school}: ${lowerFirst(says)}`}</Small>
      ))}
      <Small>Handling tables of extension services, remembered; the local rule stands above them.</Small>
    </>
  );
}
