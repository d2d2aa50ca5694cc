/** Styles of all parts and rooms: few, and at hand before a room is first shown, also on a page that was made elsewhere. */
import.meta.glob('../{app,desk,door,drawing,find,help,home,table,ui}/**/*.module.css', { eager: true });
