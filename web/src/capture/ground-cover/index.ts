export { CoverCapture as default } from './CoverCapture'
