/** A form's submit handler: a second Enter while the first is still being looked at does nothing. */
export function submits(run: () => Promise<void> | void): (event: SubmitEvent) => Promise<void> {
  let isUnderWay = false;
  return async (event) => {
    event.preventDefault();
    if (isUnderWay) return;
    isUnderWay = true;
    try {
      await run();
    } finally {
      isUnderWay = false;
    }
  };
}
