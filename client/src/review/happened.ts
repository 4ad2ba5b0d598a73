import type { EventView } from '../shared/api/client';

/** What happened to a revision, behind the name of who did it. */
export const happened: Record<EventView['kind'], string> = {
  begun: 'began it',
  sent: 'sent it for review',
  returned: 'returned it',
  released: 'released it',
  superseded: 'released the revision that supersedes it',
  withdrawn: 'withdrew it',
  calledBack: 'called it back',
  readAgain: 'read a value again, having read another one',
  looked: 'has looked at it',
  warned: 'gave out a bulletin',
  warningTakenBack: 'took a bulletin back',
  signed: 'signed it',
  lookAgainSet: 'said by when it is to be looked at again',
};
