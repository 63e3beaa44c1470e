'use client';

import { type ChangeEvent, useRef, useState } from 'react';
import {
  type LandmarkPhoto,
  type PhotoMeasure,
  photoFigureOrNull,
  photoInWords,
  photoMeasureIds,
  photoMeasures,
} from '@/core/look';
import { commonPractice } from '@/core/reasons';
import { newId, useKeep } from '@/keep';
import { Button } from '@/parts/Button';
import { ChoiceChips } from '@/parts/Chips';
import { ProvenanceMark } from '@/parts/Provenance';
import { PointPlacer } from '@/parts/figures/PointPlacer';
import { preparePhoto } from './photo';

/** Three angles on a photo: place the landmarks, get degrees or percent. The photo stays in the local data folder. */
export function PhotoAngles({
  clientId,
  photos,
  onChange,
}: {
  clientId: string;
  photos: readonly LandmarkPhoto[];
  onChange: (photos: LandmarkPhoto[]) => void;
}) {
  const [measure, setMeasure] = useState<PhotoMeasure>('infrasternal');
  const [error, setError] = useState<string | null>(null);
  const [fresh, setFresh] = useState<Record<string, string>>({});
  const input = useRef<HTMLInputElement>(null);
  const keep = useKeep();
  const photo = photos.find((one) => one.measure === measure) ?? null;

  const attach = async (event: ChangeEvent<HTMLInputElement>) => {
    const file = event.target.files?.[0];
    event.target.value = '';
    if (!file) return;
    setError(null);
    try {
      const { data, widthPx, heightPx, url } = await preparePhoto(file);
      const photoId = newId();
      setFresh((before) => ({ ...before, [photoId]: url }));
      void keep('photo.add', { photoId, clientId, data }).then((outcome) => {
        if (outcome.state === 'refused') setError(outcome.why);
      });
      const next: LandmarkPhoto = { photoId, measure, widthPx, heightPx, points: [] };
      onChange([...photos.filter((one) => one.measure !== measure), next]);
    } catch (problem) {
      setError((problem as Error).message);
    }
  };

  return (
    <section aria-labelledby="photo" className="border-t border-rule pt-4">
      <h2 id="photo" className="text-base">
        On a photo, where one helps
      </h2>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        <ChoiceChips
          label="Measure"
          value={measure}
          choices={photoMeasureIds.map((id) => ({ value: id, label: photoMeasures[id].name }))}
          onChange={setMeasure}
        />
        <input
          ref={input}
          type="file"
          accept="image/*"
          onChange={(event) => void attach(event)}
          className="sr-only"
          tabIndex={-1}
          aria-label="Photo file"
        />
        <Button onClick={() => input.current?.click()}>{photo ? 'Use another photo' : 'Attach a photo'}</Button>
        {photo && (
          <Button look="quiet" onClick={() => onChange(photos.filter((one) => one !== photo))}>
            Take it out
          </Button>
        )}
      </div>
      <p className="mt-1 text-sm text-ink2">
        {photoMeasures[measure].view} Kept in the local data folder, without place or device in it. Ask the client
        first.
      </p>
      {error && (
        <p role="alert" className="mt-2 font-semibold">
          {error}
        </p>
      )}
      {photo && (
        <div className="mt-3 grid gap-6 md:grid-cols-[minmax(0,1fr)_14rem]">
          <PointPlacer
            key={photo.photoId}
            src={fresh[photo.photoId] ?? `/api/photos/${photo.photoId}`}
            widthPx={photo.widthPx}
            heightPx={photo.heightPx}
            names={photoMeasures[measure].points}
            points={photo.points}
            onChange={(points) => onChange(photos.map((one) => (one === photo ? { ...photo, points } : one)))}
          />
          <Figure photo={photo} />
        </div>
      )}
    </section>
  );
}

function Figure({ photo }: { photo: LandmarkPhoto }) {
  const { points, name } = photoMeasures[photo.measure];
  const left = points.length - photo.points.length;
  if (left > 0) {
    return (
      <p role="status">
        Next: <span className="font-semibold">{points[photo.points.length]}</span>. {left} to place.
      </p>
    );
  }
  const figure = photoFigureOrNull(photo);
  if (figure === null) {
    return <p role="alert">These points give no angle: check where they lie, and that the view is the one above.</p>;
  }
  return (
    <p role="status">
      <span className="block text-sm text-ink2">{name}</span>
      <span className="text-2xl font-semibold">{photoInWords(photo.measure, figure)}</span>{' '}
      <ProvenanceMark provenance={commonPractice} />
      <span className="mt-2 block text-sm text-ink2">An angle on a picture: as good as the camera was level.</span>
    </p>
  );
}
