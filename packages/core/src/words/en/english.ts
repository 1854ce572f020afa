import { tellRange } from './answer/range-words';
import { tellAnswer } from './answer/tell-answer';
import { tellIndicator, tellSensitivity } from './answer/tell-model';
import { sayCommonly, sayDifference } from './bench/contact-words';
import { sayExpected, sayReading } from './bench/joint-words';
import { sayPlace, sayProbes } from './bench/step-words';
import { sayTap } from './bench/tap-words';
import { tellFault } from './bench/tell-fault';
import { tellSize } from './bench/tell-size';
import { tellCharging, tellDayIndicator, tellGap, tellTopUp } from './day/tell-day';
import { tellAlternative, tellAssignments, tellCriteria, tellFeeds, tellPurchases } from './feed/tell-feeds';
import { tellAutonomy } from './unattended/tell-unattended';

/** What an evaluation says, in English. */
export const ENGLISH = {
  sayCommonly,
  sayDifference,
  sayExpected,
  sayPlace,
  sayProbes,
  sayReading,
  sayTap,
  tellAutonomy,
  tellAlternative,
  tellAnswer,
  tellAssignments,
  tellCharging,
  tellCriteria,
  tellDayIndicator,
  tellFault,
  tellFeeds,
  tellGap,
  tellIndicator,
  tellPurchases,
  tellRange,
  tellSensitivity,
  tellSize,
  tellTopUp,
};
