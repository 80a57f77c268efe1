package org.morphotera.browser;

import org.morphotera.core.photo.Picture;
import org.teavm.jso.JSObject;
import org.teavm.jso.JSProperty;
import org.teavm.jso.core.JSObjects;
import org.teavm.jso.typedarrays.Uint8ClampedArray;

/** A picture as the page has it: four bytes a point from the top left, as on a canvas. */
interface PagePicture extends JSObject {

    /** Of a point: red, green, blue and how solid it is. */
    int BYTES = 4;

    @JSProperty
    void setData(Uint8ClampedArray data);

    @JSProperty
    void setWidth(int width);

    /** What is said of it, as JSON. */
    @JSProperty
    void setTold(String told);

    /** A picture to hand out. */
    static PagePicture of(Picture picture, String told) {
        Uint8ClampedArray data = new Uint8ClampedArray(BYTES * picture.size());
        for (int i = 0; i < picture.size(); i++) {
            data.set(BYTES * i, picture.red(i));
            data.set(BYTES * i + 1, picture.green(i));
            data.set(BYTES * i + 2, picture.blue(i));
            data.set(BYTES * i + 3, 255);
        }
        PagePicture page = JSObjects.create();
        page.setData(data);
        page.setWidth(picture.width());
        page.setTold(told);
        return page;
    }

    /** A picture that was handed in, reduced where it is large. */
    static Picture read(Uint8ClampedArray rgba, int width) {
        return Picture.of(width, rgba.getLength() / BYTES / width, i -> {
            int at = BYTES * i;
            return rgba.get(at) << 16 | rgba.get(at + 1) << 8 | rgba.get(at + 2);
        });
    }
}
