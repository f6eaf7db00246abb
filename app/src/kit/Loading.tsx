import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { colour } from '../theme/tokens';

interface LoadingProps {
  tone?: string;
  /** Whether it stands in something that sets it in already. */
  isWithin?: boolean;
}

/** The shape of a page that is on its way, shown only when it takes a while. */
export function Loading({ tone = colour.ground, isWithin = false }: LoadingProps) {
  const [isLate, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), 150);
    return () => clearTimeout(timer);
  }, []);
  if (!isLate) return null;
  return (
    <View aria-busy aria-label="Loading" role="status" style={{ padding: isWithin ? 0 : 24, gap: 14, maxWidth: 600 }}>
      {[38, 92, 84, 96, 60].map((width, index) => (
        <View
          key={index}
          style={{ height: index === 0 ? 30 : 14, width: `${width}%`, backgroundColor: tone, borderRadius: 2 }}
        />
      ))}
    </View>
  );
}
