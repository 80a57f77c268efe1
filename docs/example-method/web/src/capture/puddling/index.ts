// one figure: the form from the catalogue
export { FormCapture as default } from '../../forms/FormCapture'
