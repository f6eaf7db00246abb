/**
 * What shows kinds and fields, as one part that no first screen waits for: whoever shows some of it asks for this
 * (kindPart), since what two such parts share would be fetched with the first screen.
 */
export { HomePages } from './HomePages';
export { KindScreen } from './KindScreen';
export { KindsOffer } from './KindsOffer';
export { KindsOfSheet } from './KindsOfSheet';
export { KindsScreen } from './KindsScreen';
export { MeetingSheet } from './MeetingSheet';
export { prepareKinds } from './known';
export { PageFields } from './PageFields';
