/** The tag at the head of a panel: what it is, and where. */
export function Head({ title, line }: { readonly title: string; readonly line: string }) {
  return (
    <div className="punched-tag">
      <span className="punch" aria-hidden="true" />
      <div>
        <h2>{title}</h2>
        <p>{line}</p>
      </div>
    </div>
  );
}
