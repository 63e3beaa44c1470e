'use client';

import { type LoadAnswer, type WeightUnit, cautionWords, inUnit, strategies } from '@/core/load';
import { capital, commonPractice } from '@/core/reasons';
import { ProvenanceMark } from '@/parts/Provenance';

/** Which way the load asks for, how much air and stiffness, the common mistake, and what a caution makes of it. */
export function Reasons({ answer, unit }: { answer: LoadAnswer; unit: WeightUnit }) {
  const { strategy, stiffness, nearBorder, cautions, tooHeavy, breathesUpToKg, movement } = answer;
  const { name, says, air, pulse } = strategies[strategy];
  return (
    <>
      <div className="mt-4 grid gap-6 border-t border-rule pt-3 md:grid-cols-3">
        <section>
          <h2 className="text-base">
            At this load <ProvenanceMark provenance={commonPractice} />
          </h2>
          <p>
            {capital(name)}: {says}
            {nearBorder && ' The border lies within what is said of this load: try both.'}
          </p>
        </section>
        <section>
          <h2 className="text-base">How much</h2>
          <p>
            {capital(air)}; about {stiffness} % of the stiffness they can make,{' '}
            {pulse ? 'coming and going with the repetition' : 'kept evenly'}. Works: {movement.works}.
          </p>
        </section>
        <section>
          <h2 className="text-base">
            Common mistake <ProvenanceMark provenance={commonPractice} />
          </h2>
          <p>{movement.mistake}</p>
        </section>
      </div>
      {cautions.map(({ code, why }) => (
        <p key={code} role="status" className="mt-3 border-l-4 border-caution pl-3">
          <strong>▲ {capital(cautionWords[code])}</strong>, because of {why}.
          {tooHeavy &&
            code === 'noHeldBreath' &&
            (breathesUpToKg === null
              ? ' Lighter, until the breath goes with the movement.'
              : ` Go down to ${inUnit(breathesUpToKg, unit).toFixed(1)} ${unit} or less: then the breath goes with the movement.`)}
        </p>
      ))}
    </>
  );
}
