import { createContext } from 'react';
import type { AccountInfo } from './types';

/** The account that is signed in. */
export const AccountContext = createContext<AccountInfo>({ id: '', name: '' });
