/** Styles of all rooms: few, and at hand before a room is first shown, also on a page that was made elsewhere. */
import.meta.glob(['../{desk,door,drawing,find,help,home,table}/**/*.css'], { eager: true });
