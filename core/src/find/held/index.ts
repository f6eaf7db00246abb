export * from './heldNotes';
