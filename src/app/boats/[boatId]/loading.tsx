/** While a screen of the boat is on its way. */
export default function Loading() {
  return (
    <p className="soft p-4" role="status">
      Opening…
    </p>
  );
}
