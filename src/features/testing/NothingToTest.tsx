import sheets from '../sheets/sheets.module.css';

/** The first thing to do. */
export function NothingToTest() {
  return (
    <div className={sheets.sheet}>
      <p className={sheets.lead}>
        Work from the port outwards, one question at a time: power, reach, count, colour order, place and
        turn, packing, and only then what moves. Each test is blind to something, and says to what.
      </p>
      <p className={sheets.empty}>Nothing to test yet. Build a prop first, and put it on a port.</p>
    </div>
  );
}
