export function Chevron({ down }: { readonly down: boolean }) {
  return (
    <svg width={10} height={10} viewBox="0 0 10 10" aria-hidden="true">
      <path
        d={down ? 'M2 3.500 5 6.500 8 3.500' : 'M2 6.500 5 3.500 8 6.500'}
        fill="none"
        stroke="currentColor"
        strokeWidth={1.6}
      />
    </svg>
  );
}
