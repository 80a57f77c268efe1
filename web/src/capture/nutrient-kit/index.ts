export { KitCapture as default } from './KitCapture'
