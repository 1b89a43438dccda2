export { GalleryScreen } from "./gallery-screen";
