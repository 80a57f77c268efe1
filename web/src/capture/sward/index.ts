export { SwardCapture as default } from './SwardCapture'
