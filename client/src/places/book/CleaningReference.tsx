// Agents with their evidence, what a skipped cleaning is reckoned to cost, and where wood goes.

import { DEBRIS_ROUTE_WORDS, debrisRoutes, SCHOOLS_ON_BURNING } from '@mortisect/core/aftercare';
import { agents, situations, transmissionChance } from '@mortisect/core/blades';
import { upperFirst } from '@mortisect/core/measure';
import { lowerFirst } from '@mortisect/core/tree';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { Body, Label, Section, Small } from '../../ui/type';
import { AgentFacts } from '../AgentFacts';

export function CleaningReference() {
  const say = useSay();
  return (
    <>
      <Section>{say('book.whatMakesABladeClean')}</Section>
      <Body>{say('book.wipeTheSapOffDisinfectKeepIt')}</Body>
      {agents.map((agent) => (
        <View key={agent.id} gap={4}>
          <Label fontSize="$19">
            {told(say, agent.name)}:{' '}
            {agent.disinfects
              ? say('book.sWet', { contactSeconds: agent.contactSeconds })
              : say('book.doesNotDisinfect')}
          </Label>
          <AgentFacts agent={agent} />
        </View>
      ))}
      <Section>{say('book.whatSkippingACleaningCosts')}</Section>
      <Body>{say('book.aBladeThatMetDiseaseCarriesIt')}</Body>
      {situations.map((situation) => {
        const [low, middle, high] = transmissionChance(situation);
        return (
          <Small key={situation}>
            {say('book.aCutTo', { situation: upperFirst(told(say, situation)), middle, low, high })}
          </Small>
        );
      })}
      <Small>{say('book.rangesOfExtensionTextsRememberedUnsure')}</Small>
      <Section>{say('book.whereTheWoodGoes')}</Section>
      <Body>
        {say('book.byTheDisorderAndTheRuleOf', {
          debrisRoutes: debrisRoutes
            .map((route) => upperFirst(told(say, DEBRIS_ROUTE_WORDS[route])))
            .join(' · '),
        })}
      </Body>
      {SCHOOLS_ON_BURNING.map(({ school, says }) => (
        <Small key={school}>{`${told(say, school)}: ${lowerFirst(told(say, says))}`}</Small>
      ))}
      <Small>{say('book.handlingTablesOfExtensionServices')}</Small>
    </>
  );
}
