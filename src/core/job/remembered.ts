/**
 * A function of one object that is asked many times for the same: its answer is kept as long as the object lives.
 * What is asked must not change.
 */
export function remembered<K extends object, V>(make: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, V>();
  return (key) => {
    let value = known.get(key);
    if (value === undefined) {
      value = make(key);
      known.set(key, value);
    }
    return value;
  };
}
