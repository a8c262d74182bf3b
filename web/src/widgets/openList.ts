/** Opens a list as the arrow key does: a click opens it too, but who only passes by with Tab is shown nothing. */
export const openList = (field: HTMLElement): void => {
  field.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', bubbles: true, cancelable: true }));
};
