package org.morphotera.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;

/** A thumb on a page: does what an advisor does, and counts every tap and every key that is not a digit. */
final class Hands {

    final Page page;
    private int strokes;

    Hands(Page page) {
        this.page = page;
    }

    /** Taps and keys so far, digits left out. */
    int strokes() {
        return strokes;
    }

    Hands tap(Locator target) {
        target.click();
        strokes++;
        return this;
    }

    Hands tap(String button) {
        return tap(page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button).setExact(true)));
    }

    Hands key(String name) {
        page.keyboard().press(name);
        strokes++;
        return this;
    }

    /** Types where the page has put the cursor. */
    Hands type(String figure) {
        page.keyboard().type(figure);
        strokes += (int) figure.chars().filter(sign -> !Character.isDigit(sign)).count();
        return this;
    }

    /** Waits, without a stroke, until a test is open with its cursor where digits should go. */
    Hands on(String method) {
        page.waitForURL("**/" + method + "/*");
        page.locator("main input:focus").waitFor();
        return this;
    }

    Hands record() {
        return tap("Record");
    }
}
