import css from './projects.module.css';
/** A small side view: as many storeys as the house has, the riser in copper as far as its runs are pulled. */
export function HouseDrawing({ levels, share }: { readonly levels: number; readonly share: number }) {
  const storeys = Math.max(1, Math.min(4, levels));
  const height = storeys * 22;
  return (
    <svg width={104} height={126} viewBox={`0 0 104 126`} aria-hidden="true" className={css.houseDrawing}>
      <g transform={`translate(0,${118 - height})`}>
        <path d="M6 0 52 -24 98 0Z" className="section-roof" />
        {Array.from({ length: storeys }, (_, i) => (
          <rect key={i} x={12} y={i * 22} width={80} height={22} className={css.storey} />
        ))}
        <path d={`M68 ${height - 3}V3`} className={css.riserDim} />
        <path d={`M68 ${height - 3}V${height - 3 - share * (height - 6)}`} className="section-riser" />
      </g>
      <path d="M0 118H104" className="section-ground" />
    </svg>
  );
}
