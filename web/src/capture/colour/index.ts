export { ColourCapture as default } from './ColourCapture'
