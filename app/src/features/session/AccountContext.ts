import { createContext } from 'react';
import type { AccountInfo } from '../../state/types';

/** The account that is signed in. */
export const AccountContext = createContext<AccountInfo>({ id: '', name: '' });
