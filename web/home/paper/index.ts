/** What is printed for a home: loaded when somebody prints. */
export { FridgeCard } from './FridgeCard.tsx';
export { WallStrip } from './WallStrip.tsx';
