/**
 * Issues that stay open on a zone until an operation settles them; each belongs to a rule that asks for that operation.
 */
export type OpenIssue =
  /** Release wax of a moulding is still on it. */
  | 'wax'
  /** Silicone or oil dressing is still on it. */
  | 'dressing'
  /** Glue is still on it. */
  | 'glue'
  /** Overspray lies on what should be bare or bonded to. */
  | 'overspray'
  /** Raw plastic that loads static and draws dust. */
  | 'static'
  /** Found primer of unknown kind that nobody has rubbed with thinner yet. */
  | 'rub'
  /** Plastic of unknown kind on which nobody has tried tape yet. */
  | 'tape'
  /** Pinholes show again under the first primer: it is looked at once more. */
  | 'look'
  /** Filler found on the panel whose hold nobody has checked yet. */
  | 'found-body'
  /** Hidden edges and backs that will catch paint are not dulled yet. */
  | 'hidden-edges'
  /** Paint stripper that nobody has neutralised yet. */
  | 'stripper'
  /** Bare metal around filler that was spread on it, or where a repair was sanded through: no coat protects it yet. */
  | 'unprotected'
  /** A joint that is open, or whose sealer came off with the finish. */
  | 'joint'
  /** Finish that peels, is checked or wrinkled, or lets go in the cross-cut. */
  | 'unsound'
  /** Rust on the metal, or under what lies on it. */
  | 'rust'
  /** Rust that has eaten pits: what is left in them has to be blasted or conditioned. */
  | 'pits'
  /** Acid of the conditioner that nobody has sanded off yet. */
  | 'acid'
  /** A crack or hole that has to be mended before anything is sprayed. */
  | 'break'
  /** Something stands proud of the shape. */
  | 'high'
  /** Found film that a thumbnail still marks. */
  | 'soft'
  /** Body work over something that it must not lie on. */
  | 'bad-ground'
  /** A rough coat that was there and belongs there. */
  | 'rough-coat'
  /** Grain that stays and is still shiny. */
  | 'shiny-grain'
  /** A scratch, ring or old edge from beneath shows through the film that lies there. */
  | 'mark'
  /** A run, texture, craters or marks in a coat: sanded out once it is hard. */
  | 'flaw'
  /** Dust in a coat. */
  | 'nibs'
  /** A coat that was mixed so that it never cures. */
  | 'uncured'
  /** Lighter and darker places in a coat, which base would show. */
  | 'tone'
  /** Filler whose hardener stains what lies on it. */
  | 'bleeds';
