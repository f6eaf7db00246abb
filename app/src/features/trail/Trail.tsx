import { Link } from 'expo-router';
import { Fragment } from 'react';
import { Pressable, View } from 'react-native';
import type { TrailStep } from '@glossarion/core/outline';
import { colour, measure } from '../../theme/tokens';
import { goBack } from '../shell/navigation';
import { Words } from '../shell/Words';

const addressOfStep = (step: TrailStep): string => (step.kind === 'page' ? `/p/${step.id}` : `/n/${step.id}`);

function Step({ step, isUnderlined }: { step: TrailStep; isUnderlined?: boolean }) {
  return (
    <Link href={addressOfStep(step) as never}>
      <Words size={16} tone={colour.soft} style={isUnderlined ? { textDecorationLine: 'underline' } : {}}>
        {step.name || 'Nameless page'}
      </Words>
    </Link>
  );
}

/** Where a page stands, on a wide screen: every step from the notebook down. */
export function Trail({ trail, title }: { trail: readonly TrailStep[]; title: string }) {
  return (
    <View
      role="navigation"
      aria-label="Trail"
      style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 7, flex: 1 }}
    >
      {trail.map((step) => (
        <Fragment key={step.id}>
          <Step step={step} />
          <Words size={16} tone={colour.soft} aria-hidden>
            /
          </Words>
        </Fragment>
      ))}
      <Words size={16} style={{ flexShrink: 1 }} numberOfLines={1}>
        {title}
      </Words>
    </View>
  );
}

/** Where a page stands, on a phone: back, and in what; the rest follows in smaller steps, never cut off. */
export function PhoneTrail({ trail }: { trail: readonly TrailStep[] }) {
  const [nearest, ...others] = [...trail].reverse();
  return (
    <View role="navigation" aria-label="Trail" style={{ flexDirection: 'row', alignItems: 'center', flex: 1 }}>
      <Pressable
        role="button"
        aria-label="Back"
        onPress={goBack}
        style={{ width: measure.touch, height: measure.touch, justifyContent: 'center', paddingLeft: 18 }}
      >
        <Words size={20} tone={colour.soft}>
          ←
        </Words>
      </Pressable>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', flex: 1, alignItems: 'baseline' }}>
        {nearest && (
          <>
            <Words tone={colour.soft}>in </Words>
            <Step step={nearest} isUnderlined />
          </>
        )}
        {others.map((step) => (
          <Fragment key={step.id}>
            <Words tone={colour.soft}>, </Words>
            <Step step={step} />
          </Fragment>
        ))}
      </View>
    </View>
  );
}
