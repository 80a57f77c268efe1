export { RootsCapture as default } from './RootsCapture'
