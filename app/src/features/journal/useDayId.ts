import { useContext } from 'react';
import { dayId } from '@glossarion/core/journal';
import { AccountContext } from '../../state/AccountContext';

/** The id of a day's page in the account that is signed in. */
export const useDayId = (day: string): string => dayId(useContext(AccountContext).id, day);
