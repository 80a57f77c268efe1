/** A worm on the sheet: long with a saddle when it is grown, short and pale while it is young. */
export function Worm({ adult }: { adult: boolean }) {
  return adult ? (
    <>
      <path
        d="M0 0c8-10 16 9 24 0s9-4 11 0"
        stroke="#9a5a52"
        strokeWidth="6"
        strokeLinecap="round"
        fill="none"
      />
      <path d="M15 1.5 20 2" stroke="#c98a6e" strokeWidth="7.5" />
    </>
  ) : (
    <path d="M0 0c4-6 8 5 12 0" stroke="#b9776a" strokeWidth="3.6" strokeLinecap="round" fill="none" />
  )
}
