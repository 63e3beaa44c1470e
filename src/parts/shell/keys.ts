/** Whether a key press belongs to something being typed and is not a command. */
export function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  return target.isContentEditable || target.matches('input, textarea, select, [role="slider"], [role="combobox"]');
}

/** Whether a control is focused that would itself answer to Space or Enter. */
export function isControl(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement && target.closest('button, a, summary, [role="radio"], [role="button"]') !== null
  );
}
