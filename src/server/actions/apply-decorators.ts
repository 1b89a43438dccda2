/** One property decorator out of several, applied from the last to the first as a written list would be. */
export function applyDecorators(...decorators: readonly PropertyDecorator[]): PropertyDecorator {
  return (target, key) => {
    for (const decorate of [...decorators].reverse()) decorate(target, key);
  };
}
