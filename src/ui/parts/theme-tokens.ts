'use client';

/** The tokens of both themes as the page's own style sheets have them: what the page would use in the light, and in the dark. */
export function themeTokens(): Record<'light' | 'dark', Record<string, string>> {
  const found: Record<'light' | 'dark', Record<string, string>> = { light: {}, dark: {} };
  const take = (rules: CSSRuleList, theme: 'light' | 'dark'): void => {
    for (const rule of rules) {
      if (rule instanceof CSSMediaRule) {
        if (rule.conditionText.includes('dark')) take(rule.cssRules, 'dark');
      } else if (rule instanceof CSSStyleRule) {
        if (!/:root/.test(rule.selectorText)) continue;
        for (const name of rule.style)
          if (name.startsWith('--color-')) found[theme][name] = rule.style.getPropertyValue(name);
      } else if ('cssRules' in rule) take((rule as CSSGroupingRule).cssRules, theme);
    }
  };
  for (const sheet of document.styleSheets) take(sheet.cssRules, 'light');
  return { light: found.light, dark: { ...found.light, ...found.dark } };
}
