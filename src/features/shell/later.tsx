import { ImportPointsDialog } from '../build/ImportPointsDialog';
import { Explanation } from '../explain/Explanation';
import { NotesClash } from '../log/NotesClash';
import { ForesightDialog } from '../patch/ForesightDialog';
import { SendQuestion } from '../sending/SendQuestion';
import { ConflictDialog } from './ConflictDialog';
import { Search } from './Search';

/** The parts of the frame that are not seen until something happens. */
export default function Later() {
  return (
    <>
      <Search />
      <ImportPointsDialog />
      <ConflictDialog />
      <ForesightDialog />
      <Explanation />
      <SendQuestion />
      <NotesClash />
    </>
  );
}
