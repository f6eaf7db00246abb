import { colour } from '../theme/tokens';
import { Action } from './Action';
import { Group } from './Group';

/** Something that can be done from a menu. */
export interface Offer {
  label: string;
  do: () => unknown;
  tone?: string;
  /** It keeps its place, and can't be chosen before it is known what it would do. */
  isWaiting?: boolean;
}

export interface OfferGroup {
  label?: string;
  offers: readonly Offer[];
}

/** A menu: what can be done, by groups, the most used first. Whatever is chosen closes it. */
export function Offers({ groups, onClose }: { groups: readonly OfferGroup[]; onClose: () => void }) {
  return groups
    .filter(({ offers }) => offers.length > 0)
    .map(({ label, offers }, index) => (
      <Group key={label ?? index} label={label}>
        {offers.map((offer) => (
          <Action
            key={offer.label}
            label={offer.label}
            tone={offer.isWaiting ? colour.soft : offer.tone}
            disabled={offer.isWaiting}
            aria-busy={offer.isWaiting}
            onPress={() => {
              onClose();
              void offer.do();
            }}
          />
        ))}
      </Group>
    ));
}
