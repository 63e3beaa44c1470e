import { type ComponentType, createElement, useEffect, useState } from 'react';
import { patiently } from '../../patiently';

/**
 * A part that is fetched once the page stands and kept: an empty place of the same size until it is there, at once from then on.
 *
 * @param load fetches it; asked again until it comes
 */
export function late<Props extends { className?: string }>(load: () => Promise<ComponentType<Props>>) {
  let kept: ComponentType<Props> | null = null;
  return function Late(props: Props) {
    const [there, setThere] = useState(() => kept !== null);
    useEffect(() => {
      if (there) return;
      let here = true;
      void patiently(load).then((part) => {
        kept = part;
        if (here) setThere(true);
      });
      return () => {
        here = false;
      };
    }, [there]);
    return there && kept
      ? createElement(kept, props)
      : createElement('div', { className: props.className, 'aria-hidden': true });
  };
}
