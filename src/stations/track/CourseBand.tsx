'use client';

import { specOf } from '@/core/body';
import { findDrill } from '@/core/catalogue';
import { type Course, criterionInWords } from '@/core/course';
import { dayInWords } from '@/core/record';
import { LateBody } from '@/parts/figures/body/LateBody';

const row = 56;
const gutter = 404;
const column = 64;
const head = 34;

/** One band of visits: steps from the first below to the last above, what was tried as discs, what lies ahead dotted. */
export function CourseBand({ course, today }: { course: Course; today: string }) {
  const { steps, past, ahead, missed } = course;
  const short = (day: string) => dayInWords(day, today).replace(/^(\d+ \w{3}).*/, '$1');
  const before = [
    ...past.map((visit) => ({ day: visit.day, visit })),
    ...missed.map((day) => ({ day, visit: null })),
  ].sort((a, b) => (a.day < b.day ? -1 : 1));
  const width = Math.max(600, (before.length + ahead.length + 1) * column);
  const height = head + steps.length * row + 30;
  const yOf = (step: number) => head + (steps.length - 1 - step) * row + row / 2;
  const xOf = (at: number) => column / 2 + at * column;
  const todayX = xOf(before.length) - column / 2;
  const tried = before.flatMap(({ visit }, at) => (visit ? [{ visit, x: xOf(at) }] : []));
  const planned = ahead.map((visit, at) => ({ visit, x: xOf(before.length + at) + column / 2 }));
  return (
    <div
      className="mt-3 overflow-x-auto border-y border-rule"
      tabIndex={0}
      role="group"
      aria-label="The course, drawn; the same in words below"
    >
      <div className="relative flex" style={{ width: gutter + width, height }}>
        <ol className="shrink-0" style={{ width: gutter, paddingTop: head }} reversed>
          {[...steps].reverse().map((step, from) => {
            const at = steps.length - 1 - from;
            const drill = findDrill(step.drillId);
            return (
              <li
                key={at}
                className={`flex items-center gap-2 border-t border-rule ${at === course.current ? 'bg-leaf' : ''}`}
                style={{ height: row }}
              >
                <span className="w-5 shrink-0 text-right text-ink2">{at + 1}</span>
                <span className={`min-w-0 grow leading-tight ${at === course.current ? 'font-semibold' : ''}`}>
                  <span className="line-clamp-1">{drill?.name ?? step.drillId}</span>
                  <span className="block text-sm font-normal text-ink2">
                    {step.position}, {criterionInWords(step)}
                  </span>
                </span>
                {drill && <LateBody small spec={specOf(drill, step.position)} className="h-12 w-16 shrink-0" />}
              </li>
            );
          })}
        </ol>
        <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden className="shrink-0 text-sm">
          {steps.map((_, at) => (
            <path key={at} d={`M0 ${yOf(at) - row / 2}H${width}`} stroke="var(--rule)" />
          ))}
          <rect
            x={todayX}
            y={head}
            width={width - todayX}
            height={steps.length * row}
            fill="var(--leaf)"
            opacity="0.6"
          />
          <path d={`M${todayX} ${head - 6}V${height - 24}`} stroke="var(--ink)" strokeWidth="2" />
          <text x={todayX} y={height - 8} textAnchor="middle" fill="var(--ink)" fontWeight="650">
            today
          </text>
          {before.map(({ day, visit }, at) => (
            <g key={`${day} ${at}`}>
              <text x={xOf(at)} y={20} textAnchor="middle" fill="var(--ink2)">
                {short(day)}
              </text>
              {!visit && (
                <text x={xOf(at)} y={height - 8} textAnchor="middle" fill="var(--caution)">
                  ▲ not come
                </text>
              )}
            </g>
          ))}
          {tried.slice(1).map(({ visit, x }, at) => {
            const from = tried[at]!;
            const down = visit.step < from.visit.step;
            const [y1, y2] = [yOf(from.visit.step), yOf(visit.step)];
            return (
              <g key={`${visit.visitId} way`}>
                <path
                  d={`M${from.x} ${y1}H${x - 26}V${y2}H${x}`}
                  fill="none"
                  stroke={down ? 'var(--caution)' : 'var(--ink)'}
                  strokeWidth="3"
                />
                {down && (
                  <text x={x - 20} y={(y1 + y2) / 2 + 5} fill="var(--caution)" fontWeight="650">
                    ▼ back
                  </text>
                )}
              </g>
            );
          })}
          {tried.map(({ visit, x }) => (
            <g key={visit.visitId}>
              <circle
                cx={x}
                cy={yOf(visit.step)}
                r="11"
                fill={visit.kept ? 'var(--ink)' : 'var(--paper)'}
                stroke="var(--ink)"
                strokeWidth="3"
              />
              {visit.kept && (
                <path d={`M${x - 5} ${yOf(visit.step)}l4 4l6 -7`} fill="none" stroke="var(--paper)" strokeWidth="2.4" />
              )}
              <text x={x} y={yOf(visit.step) - 16} textAnchor="middle" fill="var(--ink)" fontWeight="650">
                {visit.clean}/{visit.done}
              </text>
            </g>
          ))}
          {planned.map(({ visit, x }, at) => {
            const from = planned[at - 1] ?? tried.at(-1);
            const y = yOf(visit.step);
            return (
              <g key={visit.day}>
                {from && (
                  <path
                    d={`M${from.x + 12} ${yOf(from.visit.step)}H${x - 26}V${y}H${x - 11}`}
                    fill="none"
                    stroke="var(--ink)"
                    strokeWidth="1.8"
                    strokeDasharray="2 4"
                  />
                )}
                <circle
                  cx={x}
                  cy={y}
                  r="10"
                  fill="var(--paper)"
                  stroke="var(--ink)"
                  strokeWidth="1.8"
                  strokeDasharray="2 3"
                />
                <text x={x} y={20} textAnchor="middle" fill="var(--ink2)">
                  {visit.booked ? short(visit.day) : `~ ${short(visit.day)}`}
                </text>
                <text x={x} y={height - 8} textAnchor="middle" fill="var(--ink2)">
                  {visit.timesAtHome === 0 ? 'none' : `home: ${visit.timesAtHome}×`}
                </text>
              </g>
            );
          })}
        </svg>
      </div>
    </div>
  );
}
