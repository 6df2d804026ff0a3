// What is done before one goes home?

interface CloseItem {
  id: string;
  text: string;
  why: string;
}

/** In this order. Common practice, no source. */
export const closeDown: readonly CloseItem[] = [
  {
    id: 'cleaned',
    text: 'bladesCleanedAndRinsed',
    why: 'sapAndGritHoldWhatMakes',
  },
  { id: 'dried', text: 'bladesDriedAndOiled', why: 'rustMakesARoughCut' },
  { id: 'gloves', text: 'glovesWashedOrChanged', why: 'glovesCarryDiseaseToo' },
  { id: 'ladder', text: 'ladderFeetAndRungsWiped', why: 'soilAndOozeGoFromTree' },
  { id: 'cart', text: 'cartSwept', why: 'itGoesToSoundTreesNext' },
  {
    id: 'solutions',
    text: 'mixesPouredAwayAsTheirLabels',
    why: 'neverOneIntoTheOtherNever',
  },
];

/** What is asked before the first cut. @source the general cautions of the trade; label and local code rule */
export const beforeStart: readonly CloseItem[] = [
  {
    id: 'people',
    text: 'nobodyUnderTheTreesChildrenAnd',
    why: 'aLimbOf10KgFrom',
  },
  {
    id: 'above',
    text: 'lookedUpNoHangingLimbsNo',
    why: 'nearALineStopAndCall',
  },
  {
    id: 'ladder',
    text: 'ladderOnFirmGroundThirdLeg',
    why: 'threePointsOfContactNeverOn',
  },
  {
    id: 'weather',
    text: 'noIceNoLightningWindUnder',
    why: 'woodSwingsAndBreaksWhereIt',
  },
  {
    id: 'aid',
    text: 'firstAidAtHandPhoneHas',
    why: 'neverAloneWithAPowerSaw',
  },
];
