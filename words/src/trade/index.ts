export { asText, cutSentence, faceWords, type Phrase } from './cut';
export { dayReasonWords, FACTOR_WORDS, laneName, riskWords, VERDICT_WORDS, windowTitle } from './days';
export { dayIn, decimalMark, figure, joined, readingIn, tapeText } from './figures';
export { countedWords, minutesWords, shareWords } from './grain';
export { jobName, jobNotes } from './jobs';
export { besideWords, labelWords, limbIn, limbInText } from './limbIn';
export { paceWords, personalPaceWords } from './paces';
export {
  arboristWords,
  clashSentence,
  goalWords,
  leftWords,
  lightWords,
  lowersWords,
  otherWords,
  passWords,
  pinSentence,
  reasonWords,
  sideEffectWords,
  sidesWords,
  stepSentence,
  stillTallWords,
  visitTitle,
} from './plan';
export {
  cautionWords,
  cleaningWords,
  debrisWords,
  girdlingWords,
  insteadWords,
  keptForWords,
  limitWords,
  lookForWords,
  minutesForWords,
  recheckedWords,
  regrowthWords,
  scionWords,
  shootsAtWords,
  suppliesWords,
  triageWords,
  verdictWords,
} from './reasons';
export { issueUnsaid, issueWords, refusalUnsaid, refusalWords } from './refusals';
export { aboutSetting } from './settings';
export { describedIn, told } from './told';
export { visitKindWords, visitWords } from './visits';
export { whySteps } from './why';
